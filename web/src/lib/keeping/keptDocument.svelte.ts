/* eslint-disable max-lines -- one object whose states depend on each other; apart they could not be read. */
import { type ChangedMeanwhile, mergeFields } from '$lib/model/fieldMerge';
import type { Outcome } from './ask';
import { refused } from '$lib/sheet/fields/refused.svelte';
import { begin, change, type History, redo, settle, undo } from './history';
import { forget, keepSoon, recall } from './kept';
import { holds, same } from './holds';
import { sendsItself, sendsNoMore } from './unsent';

const restMs = 500;
const retryMs = 3000;

interface Kept<T> {
	readonly history: History<T>;
	readonly version: number;
	/** Not confirmed yet; absent in what older pages kept, which kept nothing else. */
	readonly dirty?: boolean;
	/** Sent since the version was confirmed: one of them may have arrived though its answer was lost. */
	readonly sent?: readonly T[];
	/** What the server last had of us, to tell my changes from theirs. */
	readonly base?: T;
}

export type SaveState = 'saved' | 'unsaved' | 'refused' | 'stale' | 'away';

/** What the server holds of a document. */
export interface Held<T> {
	readonly value: T;
	readonly version: number;
}

/** How a document goes to the server and comes from there. */
export interface Keeping<T> {
	/**
	 * Saves it over a version and gives the new one. Where saves name no version, `base` is what the server last had of us: the server keeps
	 * what others changed since, and answers with what stands now.
	 */
	readonly put: (
		value: T,
		version: number,
		base: T
	) => Promise<
		Outcome<{ readonly version?: number; readonly value?: T; readonly meanwhile?: ChangedMeanwhile | null }>
	>;
	/** Where saves name their version: what the server has now. */
	readonly get?: () => Promise<Outcome<Held<T>>>;
	/** Whether two are the same to the server; every field of both, unless it reads some otherwise. */
	readonly same?: (a: T, b: T) => boolean;
}

const mostSent = 10;

/**
 * A value that a person edits: kept in this browser at once, sent a moment later, undone step by step. Whatever was not
 * confirmed when the page went away comes back with {@link restore}.
 *
 * Where saves name their version, nothing of anybody else's is overwritten: when the server has a newer version that none of
 * ours can have become, the document is `stale` and holds {@link theirs} until the person has chosen. An answer that was
 * lost on its way is no conflict: what we sent is remembered until it is confirmed.
 */
export class KeptDocument<T> {
	#history = $state.raw() as History<T>;
	#dirty = false;
	#timer: ReturnType<typeof setTimeout> | undefined;
	#version: number;
	#sent: readonly T[] = [];
	#base: T;
	readonly #key: string;
	#sending: Promise<void> | undefined;
	readonly #saveNow = () => this.save();
	readonly #keeping: Keeping<T>;

	saving = $state<SaveState>('saved');
	/** A save is on its way. */
	underWay = $state(false);
	message = $state('');
	/** What the server refuses, by field. */
	fields = $state.raw<Readonly<Record<string, string>>>({});
	/** What somebody else changed while it was changed here, and stands now together with it; null: nothing, or it was read. */
	meanwhile = $state.raw<ChangedMeanwhile | null>(null);
	/** What somebody else saved meanwhile, to choose from. */
	theirs = $state.raw<Held<T> | null>(null);

	constructor(key: string, value: T, keeping: Keeping<T>, version = 1) {
		this.#key = key;
		this.#keeping = keeping;
		this.#version = version;
		this.#base = value;
		this.#history = begin(value);
	}

	get value(): T {
		return this.#history.present;
	}
	get version(): number {
		return this.#version;
	}
	/** What the server last had of us. */
	get base(): T {
		return this.#base;
	}
	get linkLost(): boolean {
		return this.saving === 'away';
	}
	get canUndo(): boolean {
		return refused.count > 0 || this.#history.past.length > 0;
	}
	get canRedo(): boolean {
		return this.#history.future.length > 0;
	}

	/**
	 * Takes back what this browser kept and the server never confirmed; where everything was confirmed and nobody has changed
	 * it since, the steps to undo. Call once, in the browser.
	 */
	restore(): void {
		sendsItself(this.#saveNow);
		const kept = recall<Kept<T>>(this.#key);
		// What an older page kept in another shape is nothing to go by.
		if (kept === null || kept.history?.present === undefined) return;
		this.#sent = kept.sent ?? [];
		if (kept.dirty === false) {
			if (this.#same(this.value, kept.history.present)) this.#history = kept.history;
			else forget(this.#key);
			return;
		}
		const onServer: Held<T> = { value: this.value, version: this.#version };
		this.#history = kept.history;
		const isOurs = this.#isOurs(onServer);
		if (kept.version === onServer.version || isOurs) {
			this.#sent = [];
			// What was changed here, from what it was changed from: the rest may be somebody else's by now. A save that had arrived when the page
			// was left is where it is changed from next.
			if (this.#keeping.get === undefined && !isOurs) this.#base = kept.base ?? this.#base;
			this.#touched();
			return;
		}
		this.#base = kept.base ?? this.#base;
		if (this.#keeping.get === undefined) this.#touched();
		else {
			this.#dirty = true;
			this.theirs = onServer;
			this.saving = 'stale';
		}
	}

	/** One more step; changes with the same `about` in a row are one. */
	set(next: T, about: string | null = null): void {
		this.#history = change(this.#history, next, about);
		this.#touched();
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

	/** One at a time: a save that is asked for while another is on its way waits for its answer. True: the server has all of it. */
	async save(): Promise<boolean> {
		clearTimeout(this.#timer);
		while (this.#sending !== undefined) await this.#sending;
		if (this.#dirty && this.saving !== 'stale') {
			this.underWay = true;
			this.#sending = this.#send().finally(() => {
				this.#sending = undefined;
				this.underWay = false;
			});
			await this.#sending;
		}
		return !this.#dirty;
	}

	async #send(): Promise<void> {
		const sent = this.value;
		this.#sent = [...this.#sent, sent].slice(-mostSent);
		this.#keep();
		const outcome = await this.#keeping.put(sent, this.#version, this.#base);
		if (outcome.ok) {
			this.#version = outcome.value.version ?? this.#version;
			this.#sent = [];
			this.message = '';
			this.fields = {};
			this.#takeIn(sent, outcome.value.value ?? sent);
			this.meanwhile = outcome.value.meanwhile ?? this.meanwhile;
			this.saving = this.#dirty ? 'unsaved' : 'saved';
			if (this.#dirty) this.#later(restMs);
			this.#keep();
			return;
		}
		this.fields = outcome.error.fields ?? {};
		this.message = Object.values(this.fields)[0] ?? outcome.error.message;
		if (outcome.error.code === 'stale') await this.#meetTheirs();
		else if (outcome.away) {
			this.saving = 'away';
			this.#later(retryMs);
		} else this.saving = 'refused';
	}

	/** What stands on the server after a save, with what others changed; what was changed here while it was on its way stays. */
	#takeIn(sent: T, stands: T): void {
		this.#base = stands;
		const mine = this.value;
		if (this.#same(stands, sent)) {
			this.#dirty = mine !== sent;
			return;
		}
		const together = mine === sent ? stands : mergeFields(sent, mine, stands).value;
		this.#history = change(this.#history, together);
		this.#dirty = mine !== sent && !this.#same(together, stands);
	}

	/** The server has a newer version: our own, if an answer was lost on the way, or somebody else's. */
	async #meetTheirs(): Promise<void> {
		const there = await this.#keeping.get?.();
		if (there?.ok === true && this.#isOurs(there.value)) {
			this.#version = there.value.version;
			this.#base = there.value.value;
			this.#sent = [];
			this.message = '';
			this.saving = 'unsaved';
			this.#keep();
			if (!this.#same(this.value, there.value.value)) return this.#later(0);
			this.#dirty = false;
			this.saving = 'saved';
			this.#keep();
			return;
		}
		this.theirs = there?.ok === true ? there.value : null;
		this.saving = 'stale';
	}
	#same(a: T, b: T): boolean {
		return this.#keeping.same?.(a, b) ?? same(a, b);
	}
	/** Whether what the server holds is something this browser sent: then a save arrived whose answer was lost. */
	#isOurs({ value }: Held<T>): boolean {
		// What the server adds of its own, a default say, makes it nobody else's.
		const arrived = (sent: T) => this.#keeping.same?.(sent, value) ?? holds(value, sent);
		return [...this.#sent, this.value].some(arrived);
	}

	/** After somebody else saved: `value`, mine as it stands unless another is given, goes over theirs. */
	async keepMine(value: T = this.value): Promise<void> {
		if (this.theirs === null) await this.#askForTheirs();
		if (this.theirs === null) return;
		this.#version = this.theirs.version;
		this.#base = this.theirs.value;
		this.#sent = [];
		this.theirs = null;
		this.saving = 'unsaved';
		if (value !== this.value) this.#history = change(this.#history, value);
		this.#dirty = true;
		await this.save();
	}
	/** After somebody else saved: theirs is shown; mine stays one undo away. */
	async takeTheirs(): Promise<void> {
		if (this.theirs === null) await this.#askForTheirs();
		if (this.theirs === null) return;
		this.#version = this.theirs.version;
		this.#base = this.theirs.value;
		this.#history = change(this.#history, this.theirs.value);
		this.#dirty = false;
		this.#sent = [];
		this.theirs = null;
		this.message = '';
		this.saving = 'saved';
		this.#keep();
	}
	/** The link was lost between hearing of theirs and reading it. */
	async #askForTheirs(): Promise<void> {
		const there = await this.#keeping.get?.();
		if (there?.ok === true) this.theirs = there.value;
		else if (there !== undefined) this.message = there.error.message;
	}

	stop(): void {
		sendsNoMore(this.#saveNow);
		clearTimeout(this.#timer);
	}

	#touched(): void {
		this.#dirty = true;
		this.#keep();
		if (this.saving === 'stale') return;
		this.saving = 'unsaved';
		this.#later(restMs);
	}
	#keep(): void {
		keepSoon<Kept<T>>(this.#key, () => ({
			history: this.#history,
			version: this.#version,
			dirty: this.#dirty,
			base: this.#base,
			sent: this.#sent
		}));
	}
	#later(ms: number): void {
		clearTimeout(this.#timer);
		this.#timer = setTimeout(() => void this.save(), ms);
	}
}
