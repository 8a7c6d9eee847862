import type { StationState } from '$lib/shell/stations';
import { notLogged, sinceLogged, standWords } from '../states';
import { leastBearingN, sameStand, type SliderFigures } from './figures';
import type { SliderSetting } from './model';

/** The support that bears least speaks for the slider: the bubble goes to the end that would rise. */
export function sliderStation({ wrong, placed, poised, fit, spansN }: SliderFigures): StationState {
	if (fit === 'tooHeavy') return { offset: -400, words: 'too heavy for the slider' };
	if (placed) return { offset: 0, words: poised ? standWords.seen : standWords.computed };
	const lifts = wrong.find((each) => each.kind === 'lifts');
	if (lifts === undefined) return { offset: 4, words: standWords.not };
	const side = lifts.support === 0 ? -1 : 1;
	return { offset: side * (1.5 + (spansN[lifts.support]?.[0] ?? 0) / -leastBearingN), words: 'a support lifts' };
}

/** Logged means: the newest entry of this payload on this slider stands as it stands now. */
export const sliderLogStation = (
	{ placed, poised }: Pick<SliderFigures, 'placed' | 'poised'>,
	setting: SliderSetting,
	logged: { readonly setting: SliderSetting } | null
): StationState => (logged === null ? notLogged(placed, poised) : sinceLogged(sameStand(setting, logged.setting)));
