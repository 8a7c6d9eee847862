import type { StationState } from '$lib/shell/stations';
import { notLogged, sameSettingM, sinceLogged, standWords } from '../states';
import { dropBandS, type SledFigures } from './figures';
import type { SledSetting } from './model';

/** The worst of static balance, drop time and spin speaks for the sled. */
export function sledStation(
	figures: Pick<SledFigures, 'report' | 'placed' | 'poised' | 'fit' | 'toleranceRad' | 'staticBandM'>,
	wantedDropS: number
): StationState {
	const { report, placed, poised, fit, toleranceRad, staticBandM } = figures;
	if (fit === 'tooHeavy') return { offset: -400, words: 'too heavy for the sled' };
	const { staticOffsetM, dropTimeS, dynamic } = report;
	const offsets = [
		-staticOffsetM.fore / staticBandM,
		-staticOffsetM.side / staticBandM,
		dropTimeS.fore === null ? 400 : (dropTimeS.fore - wantedDropS) / dropBandS,
		dynamic.foreLeanRad / toleranceRad,
		dynamic.sideLeanRad / toleranceRad
	];
	const worst = offsets.reduce((most, each) => (Math.abs(each) > Math.abs(most) ? each : most), 0);
	return { offset: worst, words: placed ? (poised ? standWords.seen : standWords.computed) : standWords.not };
}

/** Logged means: the newest entry of this payload on this sled has everything where it stands now. */
export function sledLogStation(
	{ placed, poised }: Pick<SledFigures, 'placed' | 'poised'>,
	setting: SledSetting,
	logged: { readonly setting: SledSetting } | null
): StationState {
	if (logged === null) return notLogged(placed, poised);
	const figures = (of: SledSetting) => [
		of.gimbalM,
		of.coarseForeM + of.fineForeM,
		of.fineSideM,
		...Object.keys(setting.items)
			.sort()
			.flatMap((id) => [of.items[id]?.foreM ?? 0, of.items[id]?.sideM ?? 0, of.items[id]?.upM ?? 0])
	];
	const then = figures(logged.setting);
	const same = figures(setting).every((value, index) => Math.abs(value - (then[index] ?? 0)) <= sameSettingM);
	return sinceLogged(same);
}
