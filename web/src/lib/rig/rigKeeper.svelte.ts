import { ask } from '$lib/api';
import type { Rig, RigAxis, RigDraft, RigGeometry, RigPart, RigSlide } from '$lib/model/rig';
import { begin, change, type History, redo, settle, undo } from '$lib/state/history';
import { forget, keepSoon, recall } from '$lib/state/kept';

const restMs = 600;
const retryMs = 3000;

interface Kept {
	readonly version: number;
	readonly draft: RigDraft;
}

const draftOf = ({ name, leastPayloadKg, greatestPayloadKg, geometry }: Rig): RigDraft => ({
	name,
	leastPayloadKg,
	greatestPayloadKg,
	geometry
});

/** A rig being edited: kept here at once, saved a moment later against the version it was made from, undone step by step. */
export class RigKeeper {
	#history = $state.raw() as History<RigDraft>;
	#version: number;
	#dirty = false;
	#timer: ReturnType<typeof setTimeout> | undefined;
	readonly id: string;

	state = $state<'saved' | 'unsaved' | 'refused' | 'stale' | 'away'>('saved');
	message = $state('');

	constructor(rig: Rig) {
		this.id = rig.id;
		this.#version = rig.version ?? 1;
		this.#history = begin(draftOf(rig));
	}

	restore(): void {
		const kept = recall<Kept>(this.#key);
		if (kept === null) return;
		this.#history = begin(kept.draft);
		this.#version = kept.version;
		this.#touched();
	}

	get draft(): RigDraft {
		return this.#history.present;
	}
	get rig(): Rig {
		return { id: this.id, ...this.draft };
	}
	get canUndo(): boolean {
		return this.#history.past.length > 0;
	}
	get canRedo(): boolean {
		return this.#history.future.length > 0;
	}

	set(next: Partial<RigDraft>, about: string | null = null): void {
		this.#history = change(this.#history, { ...this.draft, ...next }, about);
		this.#touched();
	}
	shape(next: Partial<RigGeometry>, about: string | null = null): void {
		this.set({ geometry: { ...this.draft.geometry, ...next } }, about);
	}
	axis(id: string, next: Partial<RigAxis>, about: string): void {
		this.shape({ axes: this.draft.geometry.axes.map((each) => (each.id === id ? { ...each, ...next } : each)) }, about);
	}
	part(id: string, next: Partial<RigPart>, about: string): void {
		this.shape(
			{ parts: this.draft.geometry.parts.map((each) => (each.id === id ? { ...each, ...next } : each)) },
			about
		);
	}
	slide(id: string, next: Partial<RigSlide>, about: string): void {
		this.shape(
			{ slides: this.draft.geometry.slides.map((each) => (each.id === id ? { ...each, ...next } : each)) },
			about
		);
	}

	settle(): void {
		this.#history = settle(this.#history);
	}
	undo(): void {
		this.#history = undo(this.#history);
		this.#touched();
	}
	redo(): void {
		this.#history = redo(this.#history);
		this.#touched();
	}

	async save(): Promise<void> {
		clearTimeout(this.#timer);
		if (!this.#dirty || this.state === 'stale') return;
		const sent = this.draft;
		const outcome = await ask<Rig>('PUT', `/api/rigs/${this.id}`, { ...sent, version: this.#version });
		if (outcome.ok) {
			this.#version = outcome.value.version ?? this.#version + 1;
			this.message = '';
			this.#dirty = this.draft !== sent;
			this.state = this.#dirty ? 'unsaved' : 'saved';
			if (this.#dirty) this.#later(restMs);
			else forget(this.#key);
			return;
		}
		this.message = Object.values(outcome.error.fields ?? {})[0] ?? outcome.error.message;
		if (outcome.error.code === 'stale') this.state = 'stale';
		else if (outcome.away) {
			this.state = 'away';
			this.#later(retryMs);
		} else this.state = 'refused';
	}

	/** After somebody else saved: mine goes over theirs, or theirs comes here with mine one undo away. */
	async settleWith(which: 'mine' | 'theirs'): Promise<void> {
		const theirs = await ask<Rig>('GET', `/api/rigs/${this.id}`);
		if (!theirs.ok) return;
		this.#version = theirs.value.version ?? 1;
		this.state = 'unsaved';
		if (which === 'theirs') this.#history = change(this.#history, draftOf(theirs.value));
		this.#dirty = true;
		await this.save();
	}

	stop(): void {
		clearTimeout(this.#timer);
	}
	get #key(): string {
		return `rig.${this.id}`;
	}
	#touched(): void {
		this.#dirty = true;
		keepSoon<Kept>(this.#key, () => ({ version: this.#version, draft: this.draft }));
		if (this.state === 'stale') return;
		this.state = 'unsaved';
		this.#later(restMs);
	}
	#later(ms: number): void {
		clearTimeout(this.#timer);
		this.#timer = setTimeout(() => void this.save(), ms);
	}
}
