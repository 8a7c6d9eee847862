import { degFromRad } from '@poise/core';
import type { UnitSystem } from '$lib/model/person';
import { showForce, showPlace, showTorque, together } from '$lib/sheet/units/display';
import type { SliderFigures, SliderTrouble } from './figures';
import type { SliderGeometry, SliderSetting } from './model';

/** One move: where a support goes. */
export interface SliderLine {
	readonly id: string;
	readonly lead: string;
	readonly strong: string;
}

export interface SliderSlip {
	readonly kind: 'move' | 'wrong' | 'tooHeavy' | 'placed' | 'poised';
	readonly heading: string;
	readonly lines: readonly SliderLine[];
	/** How it stands once the lines are done. */
	readonly target: SliderSetting;
	readonly why: string;
	/** What is wrong, in a sentence each. */
	readonly troubles: readonly string[];
}

export const supportName = (index: number, of: number): string =>
	of === 1 ? 'clamp' : index === 0 ? 'support at the start' : 'support at the far end';

const force = (n: number, units: UnitSystem) => together(showForce(Math.abs(n), units));
const place = (m: number, units: UnitSystem) => together(showPlace(m, units));

export function troubleInWords(
	trouble: SliderTrouble,
	{ supportsM }: Pick<SliderSetting, 'supportsM'>,
	{ carriage }: Pick<SliderGeometry, 'carriage'>,
	units: UnitSystem
): string {
	switch (trouble.kind) {
		case 'lifts': {
			const end = trouble.atM === carriage.travelM[0] ? 'start' : 'far end';
			const name = supportName(trouble.support, supportsM.length);
			return trouble.byN > 0
				? `The rail lifts off the ${name} when the carriage reaches the ${end}: it would have to be pulled down with ${force(trouble.byN, units)}.`
				: `With the carriage at the ${end} the ${name} bears only ${force(trouble.byN, units)}: a hand on the camera lifts it.`;
		}
		case 'bears':
			return `The ${supportName(trouble.support, supportsM.length)} bears ${force(trouble.byN, units)}, said to bear ${force(trouble.mostN, units)} at most.`;
		case 'turns':
			return `The clamp is turned with ${together(showTorque(Math.abs(trouble.byNm), units))}, said to hold ${together(showTorque(trouble.mostNm, units))}.`;
		case 'unsaid':
			return trouble.what === 'clamp'
				? `The clamp is turned with ${together(showTorque(Math.abs(trouble.byNm), units))}, and nobody has said what it holds.`
				: trouble.what === 'drive'
					? `The carriage pulls ${force(trouble.byN, units)} down the rail, and nobody has said what holds it there.`
					: `The clamps pull the rail down with ${force(trouble.byN, units)}, and nobody has said what they bear.`;
		case 'slides':
			return `The carriage pulls ${force(trouble.byN, units)} down the rail, and its drive is said to hold ${force(trouble.mostN, units)}.`;
	}
}

/** What comes next, in one answer. */
export function sliderSlip(
	slider: { readonly name: string; readonly geometry: SliderGeometry; readonly greatestPayloadKg: number },
	setting: SliderSetting,
	figures: SliderFigures,
	units: UnitSystem
): SliderSlip {
	const { wrong, widerM, seen } = figures;
	const troubles = wrong.map((each) => troubleInWords(each, setting, slider.geometry, units));
	const base = { lines: [], target: setting, troubles };
	if (figures.fit === 'tooHeavy')
		return { ...base, kind: 'tooHeavy', heading: 'Too heavy', why: 'This slider is not made for so much.' };
	const unseen = seen === null || seen === 'stays';
	if (figures.placed && unseen)
		return {
			...base,
			kind: figures.poised ? 'poised' : 'placed',
			heading: figures.poised ? 'As seen' : 'As computed',
			why: figures.poised
				? 'The carriage was walked from end to end by hand, and the rail stayed.'
				: 'At rest nothing lifts and nothing bears more than it is said to, wherever the carriage stands. Nobody has tried it yet.'
		};
	const lifts = wrong.some(({ kind }) => kind === 'lifts');
	if (lifts && widerM !== null) {
		const names = ['at the start', 'at the far end'];
		const lines = widerM.flatMap((toM, index): SliderLine[] => {
			const fromM = setting.supportsM[index];
			if (fromM !== undefined && Math.abs(fromM - toM) < 0.0015) return [];
			return [{ id: `support-${index}`, lead: `Set the support ${names[index]} to `, strong: place(toM, units) }];
		});
		return {
			...base,
			kind: 'move',
			heading: 'The supports',
			lines,
			target: { ...setting, supportsM: widerM },
			why: 'Under the ends of what the load travels, both supports bear wherever the carriage is. Measured from the start of the rail.'
		};
	}
	return {
		...base,
		kind: 'wrong',
		heading: 'Not as it stands',
		why: figures.placed
			? 'The figures had it staying; what was seen counts. Clamp the rail down, set the supports further out, or take weight off.'
			: [
					lifts
						? 'Supports at the very ends of the rail would not do: clamp it down, or let the carriage keep to part of its travel.'
						: '',
					wrong.some(({ kind }) => kind === 'slides')
						? `Lay the rail flatter than ${degFromRad(Math.abs(setting.inclineRad)).toFixed(0)}°, counterweight the carriage, or take weight off.`
						: '',
					wrong.some(({ kind }) => kind === 'turns')
						? 'Put the clamp nearer the load’s middle, or a second support under the rail.'
						: '',
					wrong.some(({ kind }) => kind === 'unsaid')
						? 'Write on the slider’s page what its maker says it holds; until then this counts as not safe.'
						: '',
					wrong.some(({ kind }) => kind === 'bears') ? 'Take a stronger support.' : ''
				]
					.filter((each) => each !== '')
					.join(' ')
	};
}

export const lineInWords = ({ lead, strong }: SliderLine): string => `${lead}${strong}`;
