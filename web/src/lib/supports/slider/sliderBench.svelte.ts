import type { MountedBody } from '$lib/model/payload';
import { getContext, setContext } from 'svelte';
import { SettingBench } from '../settingBench.svelte';
import { tryFigures } from '../tryFigures';
import { countedLooks, type SliderFigures, sliderFigures } from './figures';
import type { Slider, SliderBenchState, SliderLook, SliderSetting } from './model';
import { lineInWords, type SliderSlip, sliderSlip } from './slip';
import { settledOn } from './standing';
import { freshSliderState } from './state';

const mostLooks = 100;

/** One payload on one slider: where rail and supports stand, and everything worked out from that. The last word wins. */
export class SliderBench extends SettingBench<Slider, MountedBody, SliderSetting, SliderBenchState> {
	constructor(
		slider: Slider,
		payload: { readonly id: string; readonly version: number },
		bodies: readonly MountedBody[],
		saved: SliderBenchState | null
	) {
		super('slider', slider, payload, bodies, saved ?? freshSliderState(slider.geometry), (setting) =>
			settledOn(slider.geometry, setting)
		);
	}
	readonly counted = $derived.by(() => countedLooks(this.document.value, this.payloadVersion));
	readonly figures: SliderFigures | null = $derived.by(() => {
		if (!this.isLoaded) return null;
		return tryFigures(() => sliderFigures(this.support, this.bodies, this.document.value.setting, this.counted));
	});
	readonly slip: SliderSlip | null = $derived.by(() =>
		this.figures === null ? null : sliderSlip(this.support, this.document.value.setting, this.figures, this.units)
	);

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
		this.moveTo(slip.target, slip.lines.map(lineInWords));
	}
}

const context = Symbol('slider bench');
export const shareSliderBench = (get: () => SliderBench): void => void setContext(context, get);
/** The bench that the sheets of one payload on one slider share. */
export const sharedSliderBench = (): SliderBench => getContext<() => SliderBench>(context)();
