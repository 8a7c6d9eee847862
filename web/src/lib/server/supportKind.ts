import type { Covariance, Vec3 } from '@poise/core';
import type Joi from 'joi';
import type { RecordDetail } from '$lib/model/balance';
import type { Carrying } from '$lib/model/carrying';
import type { GearDraft } from '$lib/model/gear';
import type { TaughtChange } from '$lib/model/measurement';
import type { Part } from '$lib/model/part';
import type { Payload, MountedBody } from '$lib/model/payload';
import type { Person, UnitSystem } from '$lib/model/person';
import type { Turnings } from '$lib/model/turning';
import type { VenueDraft } from '$lib/model/venue';
import type { StationState } from '$lib/shell/stations';
import type { Paper, PdfDocument } from './sheets/pdf';
import type { StoredAs } from './stored';

/** A support as the database has it. */
export type SupportRow<Geometry> = GearDraft<Geometry> & {
	readonly id: string;
	readonly kind: string;
	readonly version: number;
};

/** One payload on one support, as it stands. */
export interface Standing<Geometry, State> {
	readonly support: SupportRow<Geometry>;
	readonly payload: Payload;
	readonly bodies: readonly (MountedBody & { readonly sigmaM: Vec3 })[];
	/** How unsure what balances taught of these parts and this support is, together; none: nothing was taken over. */
	readonly learned: Covariance | null;
	readonly state: State;
}

/** What a record says of a balance beside what it is about. */
interface Recorded<Detail> {
	readonly payloadMassKg: number;
	readonly placed: boolean;
	readonly poised: boolean;
	/** All but the copy of the payload, which is the same for all kinds. */
	readonly detail: Omit<Detail, 'snapshot'>;
}

/** What a printed sheet is made from. */
export interface PrintAsked {
	readonly person: Person;
	readonly units: UnitSystem;
	readonly paper: Paper;
	readonly payloads: readonly Payload[];
	readonly shelf: readonly Part[];
	readonly query: URLSearchParams;
}

/** What a sheet may ask for beside what every sheet has. */
export interface SheetDoors {
	readonly venues: () => Promise<readonly (VenueDraft & { readonly id: string; readonly version: number })[]>;
	/** Every build, and every part of the shelf: for what compares builds. */
	readonly builds: () => Promise<{ readonly payloads: readonly Payload[]; readonly shelf: readonly Part[] }>;
	/** What was noted about this support, the newest first. */
	readonly entries: () => Promise<readonly unknown[]>;
	/** How whoever is working sets it up for themselves; null: they never did. */
	readonly setup: () => Promise<unknown>;
}

/** Loads what the demo scenario holds of one kind, through the same doors as anything typed. */
export interface DemoDoors {
	/** Throws for a name the scenario does not hold. */
	readonly payload: (name: string) => Payload;
	/** Parts as they really are, by id: heavier elsewhere than the shelf says. */
	readonly parts: ReadonlyMap<string, Part>;
	readonly make: <Geometry>(draft: GearDraft<Geometry>) => Promise<SupportRow<Geometry>>;
	readonly log: (
		person: string,
		entry: { supportId: string; payload: Payload; state: object; note: string },
		daysAgo: number
	) => Promise<void>;
	readonly note: (person: string, supportId: string, entry: object, at: Date) => Promise<void>;
}

/**
 * The server's part of a kind of support: how it lies in the database, what a balance on it says, what is printed of it.
 * `lib/supports/<kind>/kind.server.ts` exports one as `server`.
 */
// The stores read each kind by its own schemas; what goes from one of its functions to the next is for the kind to say.
/* eslint-disable @typescript-eslint/no-explicit-any */
export interface ServerKind<
	Geometry = any,
	State = any,
	Detail extends RecordDetail = any,
	Setup = any,
	Entry extends object = any
> {
	readonly geometry: StoredAs<Geometry>;
	/** With the kind's own range of payloads. */
	readonly draft: Joi.ObjectSchema<GearDraft<Geometry>>;
	readonly state: StoredAs<State>;
	readonly detail: StoredAs<Detail>;
	/** How one person sets it up for their own body, where that is kept. */
	readonly setup?: StoredAs<Setup>;
	/** What is noted about it over its days, where anything is. */
	readonly entry?: StoredAs<Entry>;
	/** Of a bench that was never touched. */
	readonly fresh: (support: SupportRow<Geometry>) => State;
	/** What the day line says of bench and logbook. */
	readonly stations: (
		standing: Standing<Geometry, State>,
		logged: Detail | null
	) => { readonly balance: StationState; readonly logbook: StationState };
	/** What its motors turn, as it is balanced; absent: nothing of it follows a hand. */
	readonly turning?: (standing: Standing<Geometry, State>) => Turnings;
	/** What it says of itself to whoever plans a move with it, as its bench stands; absent: no move stands on it. */
	readonly carrying?: (support: SupportRow<Geometry>, state: State) => Carrying;
	/** Worked out anew from what the server holds. Throws `invalid` with fields under `state` for what does not fit this support. */
	readonly record: (standing: Standing<Geometry, State>) => Recorded<Detail>;
	/** How unsure what balances taught of parts and of its own scales is, together; absent: it learns nothing. */
	readonly learned?: (
		shelf: readonly Part[],
		support: { readonly id: string; readonly geometry: Geometry },
		changes: readonly TaughtChange[]
	) => Covariance | null;
	/** A record whose readings were written down wrong, worked out anew; absent: the kind has no readings to correct. */
	readonly corrected?: (
		detail: Detail,
		positionsM: Readonly<Record<string, number>>
	) => { readonly detail: Detail; readonly placed: boolean };
	/** What single sheets show beside what all do, by the sheet's path. */
	readonly sheetData?: Readonly<Record<string, (doors: SheetDoors, state: State | null) => Promise<object>>>;
	/** The same of the support's own sheets. */
	readonly ownSheetData?: Readonly<Record<string, (doors: SheetDoors) => Promise<object>>>;
	/** PDF documents by name. */
	readonly prints: Readonly<Record<string, (standing: Standing<Geometry, State>, asked: PrintAsked) => PdfDocument>>;
	readonly demo: (doors: DemoDoors) => Promise<void>;
}
/* eslint-enable @typescript-eslint/no-explicit-any */
