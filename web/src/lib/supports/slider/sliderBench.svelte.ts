import type { KeptDocument } from '$lib/keeping/keptDocument.svelte';
import type { MountedBody } from '$lib/model/payload';
import type { UnitSystem } from '$lib/model/person';
import { getContext, setContext } from 'svelte';
import type { BenchReference } from '../address';
import { keptBench } from '../keptBench';
import { tryFigures } from '../tryFigures';
import { countedLooks, type SliderFigures, sliderFigures } from './figures';
import type { Slider, SliderBenchState, SliderLook, SliderSetting } from './model';
import { lineInWords, type SliderSlip, sliderSlip } from './slip';
import { settledOn } from './standing';
import { freshSliderState } from './state';

const mostLooks = 100;

/** One payload on one slider: where rail and supports stand, and everything worked out from that. The last word wins. */
export class SliderBench {
	readonly document: KeptDocument<SliderBenchState>;
	readonly slider: Slider;
	readonly payloadId: string;
	readonly payloadVersion: number;
	readonly bodies: readonly MountedBody[];
	units = $state<UnitSystem>('metric');

	constructor(
		slider: Slider,
		payload: { readonly id: string; readonly version: number },
		bodies: readonly MountedBody[],
		saved: SliderBenchState | null
	) {
		this.slider = slider;
		this.payloadId = payload.id;
		this.payloadVersion = payload.version;
		this.bodies = bodies;
		const state = saved ?? freshSliderState(slider.geometry);
		this.document = keptBench(
			{ supportId: slider.id, payloadId: payload.id },
			{ ...state, setting: settledOn(slider.geometry, state.setting) }
		);
	}

	get reference(): BenchReference {
		return { kind: 'slider', supportId: this.slider.id, payloadId: this.payloadId };
	}
	get state(): SliderBenchState {
		return this.document.value;
	}
	get setting(): SliderSetting {
		return this.state.setting;
	}
	readonly counted = $derived.by(() => countedLooks(this.document.value, this.payloadVersion));
	readonly figures: SliderFigures | null = $derived.by(() => {
		// A bare plate is nothing to carry yet.
		if (this.bodies.length < 2) return null;
		return tryFigures(() => sliderFigures(this.slider, this.bodies, this.document.value.setting, this.counted));
	});
	readonly slip: SliderSlip | null = $derived.by(() =>
		this.figures === null ? null : sliderSlip(this.slider, this.document.value.setting, this.figures, this.units)
	);

	change(next: Partial<SliderBenchState>, about: string | null = null): void {
		this.document.set({ ...this.state, ...next }, about);
	}
	/** How things stand now, typed or dragged. */
	stands(next: Partial<SliderSetting>, about: string): void {
		this.change({ setting: settledOn(this.slider.geometry, { ...this.setting, ...next }) }, about);
	}
	/** The carriage was walked from end to end, and this was seen. */
	look(what: SliderLook['what']): void {
		const look: SliderLook = { what, setting: this.setting, payloadVersion: this.payloadVersion };
		this.change({ looks: [...this.state.looks, look].slice(-mostLooks) });
	}
	strike(look: SliderLook, struck: boolean): void {
		this.change({ looks: this.state.looks.map((each) => (each === look ? { ...each, struck } : each)) });
	}
	accept(): void {
		const { slip } = this;
		if (slip === null || slip.kind !== 'move') return;
		const words = slip.lines.map(lineInWords);
		this.change({
			setting: settledOn(this.slider.geometry, slip.target),
			slips: [...this.state.slips, words].slice(-mostLooks)
		});
	}
}

const context = Symbol('slider bench');
export const shareSliderBench = (get: () => SliderBench): void => void setContext(context, get);
/** The bench that the sheets of one payload on one slider share. */
export const sharedSliderBench = (): SliderBench => getContext<() => SliderBench>(context)();
