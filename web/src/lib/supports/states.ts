import type { CombinedBody } from '@poise/core';
import type { BenchFigures } from '$lib/supports/gimbal/figures';
import type { Positions } from '$lib/model/rig';
import type { CraneFigures } from '$lib/supports/crane/figures';
import type { CraneSetting } from '$lib/model/crane';
import type { SledSetting } from '$lib/model/sled';
import { dropBandS, type SledFigures } from '$lib/supports/sled/figures';
import type { StationState } from '$lib/shell/stations';

/** How far a balance has come, one word each, the same everywhere. */
export const standWords = {
	not: 'not in place yet',
	computed: 'in place, not let go yet',
	seen: 'poised',
	logged: 'logged'
} as const;

/** How far the payload's centre of gravity may lie from the plate's middle before the slides have to make up for it. */
export const plateToleranceM = 0.01;
/** Readings this close are the same setting. */
const sameSettingM = 0.001;

/** The payload is poised when it is built and heavy over the middle of its plate. The bubble floats to the light side. */
export function payloadStation(partCount: number, totals: Pick<CombinedBody, 'cgM'> | null): StationState {
	if (partCount === 0 || totals === null) return { offset: null, words: 'nothing on the plate' };
	const offset = -totals.cgM[0] / plateToleranceM;
	const words =
		Math.abs(offset) <= 1 ? 'over the middle of its plate' : offset < 0 ? 'heavy forward' : 'heavy at the back';
	return { offset, words };
}

/** The axis furthest from its tolerance speaks for the rig. */
export function balanceStation({
	steps,
	placed,
	poised,
	fit
}: Pick<BenchFigures, 'steps' | 'placed' | 'poised' | 'fit'>): StationState {
	if (fit === 'tooHeavy') return { offset: -400, words: 'too heavy for the rig' };
	const worst = steps.reduce((most, { offsetM, bandM }) => {
		const offset = -offsetM / bandM;
		return Math.abs(offset) > Math.abs(most) ? offset : most;
	}, 0);
	if (placed)
		return { offset: Math.max(-1, Math.min(1, worst)), words: poised ? standWords.seen : standWords.computed };
	return { offset: Math.abs(worst) <= 1 ? Math.sign(worst || 1) * 1.5 : worst, words: standWords.not };
}

/** Logged means: the newest entry of this payload on this rig has the slides where they stand now. */
export function logStation(
	{ placed, poised }: Pick<BenchFigures, 'placed' | 'poised'>,
	positionsM: Positions,
	logged: { readonly positionsM: Positions } | null
): StationState {
	if (logged === null) return notLogged(placed, poised);
	const same = Object.entries(positionsM).every(([id, value]) => {
		const then = logged.positionsM[id];
		return then !== undefined && Math.abs(then - value) <= sameSettingM;
	});
	return same ? { offset: 0, words: 'logged' } : { offset: 4, words: 'changed since it was logged' };
}

const notLogged = (placed: boolean, poised: boolean): StationState =>
	poised || placed
		? { offset: 4, words: `${poised ? standWords.seen : 'in place'}, not logged` }
		: { offset: null, words: 'nothing logged' };

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
	return same ? { offset: 0, words: 'logged' } : { offset: 4, words: 'changed since it was logged' };
}

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
	return same ? { offset: 0, words: 'logged' } : { offset: 4, words: 'changed since it was logged' };
}
