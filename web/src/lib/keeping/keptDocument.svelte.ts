import type { Outcome } from './ask';
import { refused } from '$lib/sheet/fields/refused.svelte';
import { begin, change, type History, redo, settle, undo } from './history';
import { forget, keepSoon, recall } from './kept';
import { holds } from './saveOver';
import { sendsItself, sendsNoMore } from './unsent';

const restMs = 500;
const retryMs = 3000;

interface Kept<T> {
	readonly history: History<T>;
	readonly version: number;
	/** Not confirmed yet; absent in what older pages kept, which kept nothing else. */
	readonly dirty?: boolean;
}

export type SaveState = 'saved' | 'unsaved' | 'refused' | 'stale' | 'away';

/**
 * A value that a person edits: kept in this browser at once, sent a moment later, undone step by step. Whatever was not
 * confirmed when the page went away comes back with {@link restore}.
 *
 * `put` saves it over a version and gives the new one; where the last word wins the version says nothing.
 */
export class KeptDocument<T> {
	#history = $state.raw() as History<T>;
	#dirty = false;
	#timer: ReturnType<typeof setTimeout> | undefined;
	#version: number;
	readonly #key: string;
	#sending: Promise<void> | undefined;
	readonly #saveNow = () => this.save();
	readonly #put: (value: T, version: number) => Promise<Outcome<{ readonly version?: number }>>;

	saving = $state<SaveState>('saved');
	message = $state('');

	constructor(
		key: string,
		value: T,
		put: (value: T, version: number) => Promise<Outcome<{ readonly version?: number }>>,
		version = 1
	) {
		this.#key = key;
		this.#put = put;
		this.#version = version;
		this.#history = begin(value);
	}

	get value(): T {
		return this.#history.present;
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
		if (kept.dirty !== false) {
			this.#history = kept.history;
			this.#version = kept.version;
			this.#touched();
		} else if (holds(this.value, kept.history.present) && holds(kept.history.present, this.value))
			this.#history = kept.history;
		else forget(this.#key);
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

	/** One at a time: a save that is asked for while another is on its way waits for its answer. */
	async save(): Promise<void> {
		clearTimeout(this.#timer);
		while (this.#sending !== undefined) await this.#sending;
		if (!this.#dirty || this.saving === 'stale') return;
		this.#sending = this.#send().finally(() => (this.#sending = undefined));
		await this.#sending;
	}

	async #send(): Promise<void> {
		const sent = this.value;
		const outcome = await this.#put(sent, this.#version);
		if (outcome.ok) {
			this.#version = outcome.value.version ?? this.#version;
			this.message = '';
			this.#dirty = this.value !== sent;
			this.saving = this.#dirty ? 'unsaved' : 'saved';
			if (this.#dirty) this.#later(restMs);
			this.#keep();
			return;
		}
		this.message = Object.values(outcome.error.fields ?? {})[0] ?? outcome.error.message;
		if (outcome.error.code === 'stale') this.saving = 'stale';
		else if (outcome.away) {
			this.saving = 'away';
			this.#later(retryMs);
		} else this.saving = 'refused';
	}

	/** After somebody else saved: `value` is put over theirs, of that version. */
	async saveOver(version: number, value: T = this.value): Promise<void> {
		this.#version = version;
		this.saving = 'unsaved';
		if (value !== this.value) this.#history = change(this.#history, value);
		this.#dirty = true;
		await this.save();
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
		keepSoon<Kept<T>>(this.#key, () => ({ history: this.#history, version: this.#version, dirty: this.#dirty }));
	}
	#later(ms: number): void {
		clearTimeout(this.#timer);
		this.#timer = setTimeout(() => void this.save(), ms);
	}
}
