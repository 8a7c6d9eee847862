import type { Gimbal, RigAxis, GimbalDraft, GimbalGeometry, RigPart, RigSlide } from './model';
import { supportGear } from '../address';
import { editGear } from '$lib/keeping/editGear';
import type { KeptDocument } from '$lib/keeping/keptDocument.svelte';

/** A gimbal being edited, part by part. */
export class GimbalKeeper {
	readonly id: string;
	readonly document: KeptDocument<GimbalDraft>;

	constructor(rig: Gimbal) {
		this.id = rig.id;
		this.document = editGear<GimbalDraft>(supportGear('gimbal'), rig);
	}

	get draft(): GimbalDraft {
		return this.document.value;
	}
	get rig(): Gimbal {
		return { id: this.id, ...this.draft };
	}
	set(next: Partial<GimbalDraft>, about: string | null = null): void {
		this.document.set({ ...this.draft, ...next }, about);
	}
	shape(next: Partial<GimbalGeometry>, about: string | null = null): void {
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
