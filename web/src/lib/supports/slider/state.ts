import type { SliderBenchState, SliderGeometry } from './model';
import { freshSetting } from './standing';

/** A payload that was never on this slider. */
export const freshSliderState = (geometry: SliderGeometry): SliderBenchState => ({
	setting: freshSetting(geometry),
	slips: [],
	looks: []
});
