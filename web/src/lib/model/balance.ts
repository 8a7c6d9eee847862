import type { Part } from './part';
import type { Payload } from './payload';

/** The payload as it was when logged, with the parts it was made of: the log must not change when the shelf does. */
export interface PayloadSnapshot {
	readonly payload: Payload;
	readonly parts: readonly Part[];
}

/** One line of the logbook. */
export interface LoggedBalance {
	readonly id: string;
	/** The kind of support, a key of the registry. */
	readonly kind: string;
	/** What it is about, while that exists. */
	readonly payloadId: string | null;
	readonly supportId: string | null;
	readonly payloadName: string;
	readonly supportName: string;
	readonly payloadMassKg: number;
	/** As computed when it was logged. */
	readonly placed: boolean;
	/** As seen: let go and seen to hold. */
	readonly poised: boolean;
	/** Struck out of the book: kept, and counts for nothing. */
	readonly struck: boolean;
	readonly note: string;
	readonly personName: string;
	readonly loggedAt: string;
}

/** What a record of any kind keeps beyond its line: its own copy of the payload and of the support. */
export interface RecordDetail<Support = unknown> {
	readonly snapshot: PayloadSnapshot;
	readonly support: Support;
}

/** A line of the logbook, opened. */
export type RecordOf<Detail extends RecordDetail> = LoggedBalance & Detail;

/** What somebody changed about a line of the logbook afterwards, and why; nothing is ever deleted. */
export interface BalanceChange {
	readonly id: string;
	readonly kind: 'corrected' | 'struck' | 'restored';
	readonly personName: string;
	readonly at: string;
	readonly why: string;
	/** What the note, and the readings of a gimbal, were before a correction. */
	readonly before: { readonly note?: string; readonly positionsM?: Readonly<Record<string, number>> };
}
