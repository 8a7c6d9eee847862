import { ask } from '$lib/api';
import type { Rig, RigAxis, RigDraft, RigGeometry, RigPart, RigSlide } from '$lib/model/rig';
import { KeptDocument, type SaveState } from '$lib/state/keptDocument.svelte';
import { saveOver } from '$lib/state/saveOver';

const draftOf = ({ name, leastPayloadKg, greatestPayloadKg, geometry }: Rig): RigDraft => ({
	name,
	leastPayloadKg,
	greatestPayloadKg,
	geometry
});

/** A rig being edited, part by part. */
export class RigKeeper {
	readonly id: string;
	readonly #document: KeptDocument<RigDraft>;

	constructor(rig: Rig) {
		this.id = rig.id;
		const save = (draft: RigDraft, version: number) => saveOver<Rig>(`/api/rigs/${rig.id}`, draft, version);
		this.#document = new KeptDocument(`rig.${rig.id}`, draftOf(rig), save, rig.version ?? 1);
	}

	restore(): void {
		this.#document.restore();
	}
	get state(): SaveState {
		return this.#document.saving;
	}
	get message(): string {
		return this.#document.message;
	}
	set message(words: string) {
		this.#document.message = words;
	}
	get draft(): RigDraft {
		return this.#document.value;
	}
	get rig(): Rig {
		return { id: this.id, ...this.draft };
	}
	get canUndo(): boolean {
		return this.#document.canUndo;
	}
	get canRedo(): boolean {
		return this.#document.canRedo;
	}

	set(next: Partial<RigDraft>, about: string | null = null): void {
		this.#document.set({ ...this.draft, ...next }, about);
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
		this.#document.settle();
	}
	undo(): void {
		this.#document.undo();
	}
	redo(): void {
		this.#document.redo();
	}
	save(): Promise<void> {
		return this.#document.save();
	}
	stop(): void {
		this.#document.stop();
	}

	/** After somebody else saved: mine goes over theirs, or theirs comes here with mine one undo away. */
	async settleWith(which: 'mine' | 'theirs'): Promise<void> {
		const theirs = await ask<Rig>('GET', `/api/rigs/${this.id}`);
		if (!theirs.ok) return;
		await this.#document.saveOver(theirs.value.version ?? 1, which === 'theirs' ? draftOf(theirs.value) : undefined);
	}
}
