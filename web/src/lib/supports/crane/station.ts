import type { StationState } from '$lib/shell/stations';
import { notLogged, sameSettingM, sinceLogged, standWords } from '../states';
import type { CraneFigures } from './figures';
import type { CraneSetting } from './model';

/** The nose speaks for the crane, unless it would tip. */
export function craneStation(
	{
		noseKg,
		noseBandKg,
		balanced,
		poised,
		envelope,
		fit
	}: Pick<CraneFigures, 'noseKg' | 'noseBandKg' | 'balanced' | 'poised' | 'envelope' | 'fit'>,
	noseBiasKg: number
): StationState {
	if (fit === 'tooHeavy') return { offset: -400, words: 'too heavy for the crane' };
	if (envelope.reserve <= 0) return { offset: -400, words: 'tips over as drawn' };
	return {
		offset: -(noseKg - noseBiasKg) / noseBandKg,
		words: balanced ? (poised ? standWords.seen : standWords.computed) : standWords.not
	};
}

/** Logged means: the newest entry of this payload on this crane has the same plates and trim as hang now. */
export function craneLogStation(
	{ balanced, poised }: Pick<CraneFigures, 'balanced' | 'poised'>,
	setting: CraneSetting,
	logged: { readonly setting: CraneSetting } | null
): StationState {
	if (logged === null) return notLogged(balanced, poised);
	const same =
		JSON.stringify(setting.hung) === JSON.stringify(logged.setting.hung) &&
		Math.abs(setting.trimU - logged.setting.trimU) <= sameSettingM;
	return sinceLogged(same);
}
