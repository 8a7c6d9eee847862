import { combineBodies, type Vec3 } from '@poise/core';
import { v7 as newId } from 'uuid';
import { ask } from '$lib/keeping/ask';
import { refused } from '$lib/sheet/fields/refused.svelte';
import type { Part } from '$lib/model/part';
import { type Attitude, plainAttitude, quarterTurned } from '$lib/model/attitude';
import {
	bodyOf,
	type Payload,
	type PayloadCorrection,
	type PayloadDraft,
	type StandingPart,
	standingParts
} from '$lib/model/payload';
import { begin, change, type History, redo, settle, undo } from '$lib/keeping/history';
import { forget, keepSoon, recall } from '$lib/keeping/kept';
import { sendsItself, sendsNoMore } from '$lib/keeping/unsent';
import { allMoved, duplicated, grouped, mirroredOver, moved, withAttitude } from './arrange';
import { differences, merge, type Merged } from './merge';
import { placeFor } from './placeFor';

/** How the draft on the screen stands to what the server has. */
export type SaveState = 'saved' | 'unsaved' | 'saving' | 'away' | 'refused' | 'stale';

interface Kept {
	readonly version: number;
	readonly dirty: boolean;
	readonly history: History<PayloadDraft>;
	/** Drafts sent since the version was confirmed: one of them may have arrived though its answer was lost. */
	readonly sent: readonly PayloadDraft[];
	readonly base?: PayloadDraft;
}

const restMs = 500;
const retryMs = 3000;
const mostSent = 10;

/**
 * A payload being edited: its undo history, its totals, and its way to the server.
 *
 * Every change is kept in this browser at once and sent a moment later; until the server has confirmed it, the copy here
 * outlives a reload, a lost link and a stopped server. A save names the version it was made from; when somebody else has
 * saved in between, nothing is overwritten until the person has chosen.
 */
export class PayloadEditor {
	#history = $state.raw<History<PayloadDraft>>(begin({ name: '', platePartId: '', placements: [] }));
	#shelf = $state.raw<ReadonlyMap<string, Part>>(new Map());
	/** Made on this page; the shelf that is loaded next holds them too, and then has the last word. */
	#made: readonly Part[] = [];
	#version = 1;
	#dirty = false;
	#sent: readonly PayloadDraft[] = [];
	/** What the server last had of us, to tell my changes from theirs. */
	#base: PayloadDraft;
	#timer: ReturnType<typeof setTimeout> | undefined;
	#sending: Promise<void> | undefined;
	readonly #saveNow = () => this.save();
	readonly id: string;

	state = $state<SaveState>('saved');
	message = $state('');
	fields = $state.raw<Readonly<Record<string, string>>>({});
	selectedId = $state<string | null>(null);
	/** What somebody else saved meanwhile, to choose from. */
	theirs = $state.raw<Payload | null>(null);

	constructor(payload: Payload, shelf: readonly Part[]) {
		this.id = payload.id;
		this.#base = draftOf(payload);
		this.#history = begin(this.#base);
		this.#version = payload.version;
		this.setShelf(shelf);
	}

	/** Takes back what this browser kept and the server never confirmed. Call once, in the browser. */
	restore(server: Payload): void {
		sendsItself(this.#saveNow);
		const kept = recall<Kept>(this.#key);
		if (kept === null) return;
		this.#sent = kept.sent;
		if (kept.base !== undefined) this.#base = kept.base;
		if (kept.version === server.version || (kept.dirty && this.#isOurs(server))) {
			this.#version = server.version;
			this.#base = draftOf(server);
			this.#sent = [];
			this.#history = kept.history;
			if (kept.dirty) this.#touched();
		} else if (kept.dirty) {
			this.#history = kept.history;
			this.#dirty = true;
			this.theirs = server;
			this.state = 'stale';
		} else forget(this.#key);
	}

	setShelf(shelf: readonly Part[]): void {
		this.#shelf = new Map([...this.#made, ...shelf].map((part) => [part.id, part]));
	}

	/** A part made on this page, known from now on: the list the page was loaded with does not hold it yet. */
	putOnShelf(part: Part): void {
		this.#made = [...this.#made, part];
		this.#shelf = new Map([...this.#shelf, [part.id, part]]);
	}

	get draft(): PayloadDraft {
		return this.#history.present;
	}
	get version(): number {
		return this.#version;
	}
	#before: readonly StandingPart[] = [];
	readonly parts: readonly StandingPart[] = $derived.by(
		() => (this.#before = standingParts(this.#history.present, this.#shelf, this.#before))
	);
	readonly totals = $derived(this.parts.length === 0 ? null : combineBodies({ bodies: this.parts.map(bodyOf) }));
	get canUndo(): boolean {
		return refused.count > 0 || this.#history.past.length > 0;
	}
	get canRedo(): boolean {
		return this.#history.future.length > 0;
	}

	rename(name: string): void {
		this.#change({ ...this.draft, name }, 'name');
	}

	choosePlate(platePartId: string): void {
		this.#change({ ...this.draft, platePartId });
	}

	/** Puts a part on the plate, where a part of its kind usually sits, and selects it. */
	add(part: Part): void {
		const id = newId();
		const positionM = placeFor(part, this.parts);
		this.#change({ ...this.draft, placements: [...this.draft.placements, { id, partId: part.id, positionM }] });
		this.selectedId = id;
	}

	/** Moves a part, and whatever is grouped with it as far. */
	move(id: string, positionM: Vec3, about: string): void {
		this.#change(moved(this.draft, id, positionM), about);
	}
	setAttitude(id: string, change: Partial<Attitude>, about: string | null = null): void {
		this.#change(
			withAttitude(this.draft, id, (was) => ({ ...was, ...change })),
			about
		);
	}
	quarterTurn(id: string, axis: 0 | 1 | 2): void {
		this.#change(withAttitude(this.draft, id, (was) => quarterTurned(was, axis)));
	}
	mirror(id: string): void {
		this.#change(mirroredOver(this.draft, id));
	}
	/** A second one beside the first, selected. */
	duplicate(id: string): void {
		const { draft, copyId } = duplicated(this.draft, id, newId);
		this.#change(draft);
		this.selectedId = copyId;
	}
	groupWith(id: string, otherId: string | null): void {
		this.#change(grouped(this.draft, id, otherId, newId));
	}
	/** A measured centre of the whole build, or none. */
	correct(correction: PayloadCorrection | null): void {
		this.#change({ ...this.draft, correction });
	}
	/** Moves everything on the plate together, as one step. */
	moveAll(forwardM: number): void {
		this.#change(allMoved(this.draft, forwardM));
	}

	remove(id: string): void {
		this.#change({ ...this.draft, placements: this.draft.placements.filter((each) => each.id !== id) });
		if (this.selectedId === id) this.selectedId = null;
	}

	settle(): void {
		this.#history = settle(this.#history);
	}

	undo(): void {
		if (refused.takeBack() || !this.canUndo) return;
		this.#history = undo(this.#history);
		this.#touched();
	}

	redo(): void {
		if (!this.canRedo) return;
		this.#history = redo(this.#history);
		this.#touched();
	}

	/** Sends what is unsaved and waits for the answer; true when the server has everything. */
	async save(): Promise<boolean> {
		clearTimeout(this.#timer);
		while (this.#sending !== undefined) await this.#sending;
		if (this.#dirty && this.state !== 'stale') {
			this.#sending = this.#send().finally(() => (this.#sending = undefined));
			await this.#sending;
		}
		return !this.#dirty;
	}

	/** After somebody else saved: this screen's build goes over theirs. */
	async keepMine(): Promise<void> {
		if (this.theirs === null) return;
		this.#version = this.theirs.version;
		this.#base = draftOf(this.theirs);
		this.#sent = [];
		this.theirs = null;
		this.state = 'unsaved';
		this.#dirty = true;
		await this.save();
	}

	/** After somebody else saved: both builds in one, each part as whoever changed it left it. */
	get together(): Merged | null {
		if (this.theirs === null) return null;
		return merge(this.#base, this.draft, draftOf(this.theirs), (partId) => this.#shelf.get(partId)?.name ?? 'a part');
	}
	/** How theirs differs from what is on this screen. */
	get theirDifferences(): string[] {
		return this.theirs === null ? [] : differences(this.draft, draftOf(this.theirs), this.#shelf);
	}
	async putTogether(): Promise<void> {
		const { together } = this;
		if (together === null) return;
		this.#history = change(this.#history, together.draft);
		await this.keepMine();
	}

	/** After somebody else saved: theirs is shown; this screen's build stays one undo away. */
	takeTheirs(): void {
		if (this.theirs === null) return;
		this.#base = draftOf(this.theirs);
		this.#history = change(this.#history, this.#base);
		this.#version = this.theirs.version;
		this.#dirty = false;
		this.#sent = [];
		this.theirs = null;
		this.state = 'saved';
		this.#keep();
	}

	stop(): void {
		sendsNoMore(this.#saveNow);
		clearTimeout(this.#timer);
	}

	get #key(): string {
		return `payload.${this.id}`;
	}

	#change(next: PayloadDraft, about: string | null = null): void {
		this.#history = change(this.#history, next, about);
		this.#touched();
	}

	#touched(): void {
		this.#dirty = true;
		this.#keep();
		if (this.state === 'stale') return;
		if (this.state !== 'saving') this.state = 'unsaved';
		this.#later(restMs);
	}

	#keep(): void {
		keepSoon<Kept>(this.#key, () => ({
			version: this.#version,
			dirty: this.#dirty,
			history: this.#history,
			sent: this.#sent,
			base: this.#base
		}));
	}

	#later(ms: number): void {
		clearTimeout(this.#timer);
		this.#timer = setTimeout(() => void this.save(), ms);
	}

	async #send(): Promise<void> {
		const sent = this.draft;
		this.#sent = [...this.#sent, sent].slice(-mostSent);
		this.#keep();
		this.state = 'saving';
		const outcome = await ask<Payload>('PUT', `/api/payloads/${this.id}`, { ...sent, version: this.#version });
		if (outcome.ok) {
			this.#version = outcome.value.version;
			this.#base = sent;
			this.#sent = [];
			this.#dirty = this.draft !== sent;
			this.fields = {};
			this.message = '';
			this.state = this.#dirty ? 'unsaved' : 'saved';
			this.#keep();
			if (this.#dirty) this.#later(restMs);
			return;
		}
		this.message = outcome.error.message;
		this.fields = outcome.error.fields ?? {};
		if (outcome.error.code === 'stale') {
			await this.#meetTheirs();
		} else if (outcome.away) {
			this.state = 'away';
			this.#later(retryMs);
		} else this.state = 'refused';
	}

	/** Whether the server's payload is one that this screen sent: then a save arrived whose answer was lost. */
	#isOurs(server: Payload): boolean {
		const theirs = JSON.stringify(inOrder(server));
		return this.#sent.some((draft) => JSON.stringify(inOrder(draft)) === theirs);
	}

	/** The server has a newer version: our own, if an answer was lost on the way, or somebody else's. */
	async #meetTheirs(): Promise<void> {
		const theirs = await ask<Payload>('GET', `/api/payloads/${this.id}`);
		if (theirs.ok && this.#isOurs(theirs.value)) {
			this.#version = theirs.value.version;
			this.#base = draftOf(theirs.value);
			this.#sent = [];
			this.message = '';
			this.state = 'unsaved';
			this.#keep();
			this.#later(0);
			return;
		}
		this.theirs = theirs.ok ? theirs.value : null;
		this.state = 'stale';
	}
}

const inOrder = ({ name, platePartId, placements, correction = null }: PayloadDraft) => [
	name.trim(),
	platePartId,
	placements.map(({ id, partId, positionM, attitude = plainAttitude }) => {
		const { quarters, aboutUpRad, extended, group, arm } = attitude;
		const held = arm === null ? null : [arm.lengthM, arm.aboutUpRad, arm.riseRad, arm.massKg];
		return [id, partId, ...positionM, ...quarters, aboutUpRad, extended, group, held];
	}),
	correction === null ? null : [...correction.shiftM, ...correction.sigmaM, correction.from]
];

const draftOf = ({ name, platePartId, placements, correction = null }: Payload): PayloadDraft => ({
	name,
	platePartId,
	placements,
	correction
});
