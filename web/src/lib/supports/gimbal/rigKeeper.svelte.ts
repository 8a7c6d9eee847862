import type { Rig, RigAxis, RigDraft, RigGeometry, RigPart, RigSlide } from './model';
import { supportGear } from '../address';
import { editGear } from '$lib/keeping/editGear';
import type { KeptDocument } from '$lib/keeping/keptDocument.svelte';

/** A rig being edited, part by part. */
export class RigKeeper {
	readonly id: string;
	readonly document: KeptDocument<RigDraft>;

	constructor(rig: Rig) {
		this.id = rig.id;
		this.document = editGear<RigDraft>(supportGear('gimbal'), rig);
	}

	get draft(): RigDraft {
		return this.document.value;
	}
	get rig(): Rig {
		return { id: this.id, ...this.draft };
	}
	set(next: Partial<RigDraft>, about: string | null = null): void {
		this.document.set({ ...this.draft, ...next }, about);
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
		this.document.settle();
	}
}
