import { degFromRad, gFromKg, mmFromM } from '@poise/core';
import { namesLeft, recordParts, type TwoUp, type TwoUpLine } from '../log/twoUp';
import type { SliderBenchState, SliderRecord } from './model';
import type { SliderLine } from './slip';
import { freshSliderState } from './state';
import { showPlace, together } from '$lib/sheet/units/display';
import type { UnitSystem } from '$lib/model/person';
import { supportName } from './slip';

/** Where the supports stand now, and what it takes to have them as they were logged. */
export function linesBack(
	{ setting }: Pick<SliderRecord, 'setting'>,
	now: SliderBenchState['setting'],
	units: UnitSystem
): SliderLine[] {
	const { length } = setting.supportsM;
	const supports = setting.supportsM.flatMap((u, index): SliderLine[] => {
		const fromM = now.supportsM[index];
		if (now.supportsM.length === length && fromM !== undefined && Math.abs(fromM - u) < 0.0015) return [];
		const lead = `Set the ${supportName(index, length)} to `;
		return [{ id: `support-${index}`, lead, strong: together(showPlace(u, units)) }];
	});
	const incline: SliderLine[] =
		Math.abs(setting.inclineRad - now.inclineRad) < 0.002
			? []
			: [{ id: 'incline', lead: 'Incline the rail to ', strong: `${degFromRad(setting.inclineRad).toFixed(1)}°` }];
	const reach: SliderLine[] =
		Math.abs(setting.reachM - now.reachM) < 0.0015
			? []
			: [{ id: 'reach', lead: 'Reach past the carriage ', strong: together(showPlace(setting.reachM, units)) }];
	const hung: SliderLine[] =
		setting.hung === now.hung
			? []
			: [{ id: 'hung', lead: 'Camera ', strong: setting.hung ? 'hung under the carriage' : 'on the carriage' }];
	const looks: SliderLine[] =
		setting.looks === now.looks
			? []
			: [{ id: 'looks', lead: 'Camera looks ', strong: setting.looks === 'along' ? 'along the rail' : 'across it' }];
	return [...supports, ...incline, ...reach, ...hung, ...looks];
}

/** The bench set up as it was logged, what was seen there before kept. */
export const benchAsLogged = (
	record: SliderRecord,
	bench: SliderBenchState | null,
	words: readonly string[]
): SliderBenchState => {
	const from = bench ?? freshSliderState(record.support.geometry);
	return { ...from, setting: record.setting, slips: [...from.slips, words].slice(-100) };
};

/** Supports, incline and loads of two slider records side by side, also of different sliders. */
export function twoUp(a: SliderRecord, b: SliderRecord): TwoUp {
	const line = (
		label: string,
		unit: string,
		decimals: number,
		of: (record: SliderRecord) => number | null | undefined
	): TwoUpLine => ({ label, unit, decimals, a: of(a) ?? null, b: of(b) ?? null });
	const mm = (metres: number | undefined) => (metres === undefined ? null : mmFromM(metres));
	const names = (record: SliderRecord) => recordParts(record).map(({ part }) => part.name);
	return {
		lines: [
			line('Rail', 'mm', 0, ({ support }) => mmFromM(support.geometry.rail.lengthM)),
			line('First support from the start', 'mm', 0, ({ setting }) => mm(setting.supportsM[0])),
			line('Second support', 'mm', 0, ({ setting }) => mm(setting.supportsM[1])),
			line('Incline', '°', 1, ({ setting }) => degFromRad(setting.inclineRad)),
			line('Reach past the carriage', 'mm', 0, ({ setting }) => mmFromM(setting.reachM)),
			line('On the rail', 'g', 0, ({ figures }) => gFromKg(figures.carriedKg)),
			line('Least on a support', 'N', 0, ({ figures }) => figures.leastN),
			line('Most on a support', 'N', 0, ({ figures }) => figures.mostN),
			line('Turns the clamp', 'N·m', 1, ({ figures }) => figures.momentNm),
			line('Along the rail', 'N', 0, ({ figures }) => figures.holdN)
		],
		onlyA: namesLeft(names(a), names(b)),
		onlyB: namesLeft(names(b), names(a))
	};
}
