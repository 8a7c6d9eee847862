/* eslint-disable max-lines -- one answer: every case of the slip in the order in which it is asked. */
import { degFromRad, type SledCure } from '@poise/core';
import type { UnitSystem } from '$lib/model/person';
import type { SledGeometry, SledSetting } from './model';
import { showMass, showMove, showPlace, showTurns, together } from '$lib/sheet/units/display';
import { settable, type SledFigures } from './figures';
import { cameraId, gimbalTravel, itemAt, plateMove, swingRad } from './standing';

/** One thing the hand does. */
export interface SledLine {
	readonly id: string;
	/** "Slide the plate " and the bold part "back 12 mm". */
	readonly lead: string;
	readonly strong: string;
	/** Turns, and the reading to stop at. */
	readonly detail: string | null;
	/** It stands at its end: nothing more is to be had here. */
	readonly atEnd: boolean;
}

export interface SledSlip {
	readonly kind: 'move' | 'placed' | 'poised' | 'tooHeavy' | 'stuck' | 'clash';
	/** What is still to be seen, while all is in place as computed. */
	readonly look?: 'upright' | 'drop' | 'spin';
	readonly heading: string;
	readonly lines: readonly SledLine[];
	/** Everything as it stands once the lines are done. */
	readonly target: SledSetting;
	readonly why: string;
	/** What stays out and why, where something does. */
	readonly short: string | null;
}

const least = { plateM: 0.0002, itemM: 0.0004, gimbalM: 0.0004 };
export const degrees = (radians: number): string => `${Math.abs(degFromRad(radians)).toFixed(1)}°`;
export const seconds = (value: number | null): string => (value === null ? '–' : `${value.toFixed(1)} s`);

const lower = (text: string) => text.charAt(0).toLowerCase() + text.slice(1);
const way = (value: number, plus: string, minus: string) => (value > 0 ? plus : minus);
const by = (metres: number, units: UnitSystem) => together(showMove(metres, units));

/** The setting that a cure asks for, as near as a hand can set it. */
export function targetOf(
	geometry: SledGeometry,
	setting: SledSetting,
	figures: SledFigures,
	cure: SledCure
): SledSetting {
	const { fore, side } = figures.report.staticOffsetM;
	const moves = cure.kind !== 'leave';
	const plateFore = moves || Math.abs(fore) > figures.staticBandM ? cure.plate.foreM : 0;
	const plateSide = moves || Math.abs(side) > figures.staticBandM ? cure.plate.sideM : 0;
	const late = figures.report.dropTimeS.fore;
	const gimbal = moves || !figures.dropGood || late === null ? cure.gimbalHeightM : setting.gimbalM;
	const items = { ...setting.items };
	if (cure.kind === 'move') {
		const at = itemAt(setting, cure.id);
		items[cure.id] = { ...at, foreM: at.foreM + cure.foreM, sideM: at.sideM + cure.sideM };
	}
	const weights =
		cure.kind === 'addMass'
			? [...setting.weights, { placeId: cure.placeId, massKg: Math.round(cure.massKg * 200) / 200 }]
			: setting.weights;
	return settable(geometry, {
		...setting,
		...plateMove(geometry, setting, plateFore),
		fineSideM: setting.fineSideM + plateSide,
		gimbalM: gimbal,
		items,
		weights
	});
}

/** Coarse before fine, fore-aft before side, and the gimbal last: what moves high up on the post upsets it least. */
export function linesBetween(
	geometry: SledGeometry,
	from: SledSetting,
	to: SledSetting,
	units: UnitSystem
): SledLine[] {
	const { stage } = geometry;
	const lines: SledLine[] = [];
	const add = (id: string, lead: string, strong: string, detail: string | null, atEnd: boolean) =>
		lines.push({ id, lead, strong, detail, atEnd });
	const isEnd = (value: number, travel: readonly [number, number] | null) =>
		travel !== null && travel.some((end) => Math.abs(value - end) < 1e-6);

	for (const item of geometry.items) {
		const [was, is] = [itemAt(from, item.id), itemAt(to, item.id)];
		const [fore, side, up] = [is.foreM - was.foreM, is.sideM - was.sideM, is.upM - was.upM];
		const name = lower(item.label);
		if (Math.abs(fore) >= least.itemM) {
			const swing = item.swingM ?? null;
			if (swing === null)
				add(
					`${item.id}Fore`,
					`Slide the ${name} `,
					`${way(fore, 'forward', 'back')} ${by(fore, units)}`,
					null,
					isEnd(is.foreM, item.foreM)
				);
			else {
				const angle = degFromRad(swingRad(swing, is.foreM)).toFixed(0);
				const turn = fore > 0 ? 'out' : 'in';
				add(
					`${item.id}Fore`,
					`Swing the ${name} `,
					`${turn} to ${angle}°`,
					`on their arms, from straight back; they come ${way(fore, 'forward', 'back')} ${by(fore, units)}`,
					isEnd(is.foreM, item.foreM)
				);
			}
		}
		if (Math.abs(side) >= least.itemM)
			add(
				`${item.id}Side`,
				`Slide the ${name} `,
				`${way(side, 'left', 'right')} ${by(side, units)}`,
				null,
				isEnd(is.sideM, item.sideM)
			);
		if (Math.abs(up) >= least.itemM)
			add(
				`${item.id}Up`,
				`Set the ${name} `,
				`${way(up, 'up', 'down')} ${by(up, units)}`,
				null,
				isEnd(is.upM, item.upM)
			);
	}
	for (const { placeId, massKg } of to.weights.slice(from.weights.length)) {
		const place = geometry.places.find(({ id }) => id === placeId);
		add(`weight${placeId}`, 'Fix ', `${together(showMass(massKg, units))} at ${place?.label ?? placeId}`, null, false);
	}
	const [coarse, fine, side] = [
		to.coarseForeM - from.coarseForeM,
		to.fineForeM - from.fineForeM,
		to.fineSideM - from.fineSideM
	];
	if (Math.abs(coarse) >= least.plateM)
		add(
			'coarse',
			'Slide the camera plate ',
			`${way(coarse, 'forward', 'back')} ${by(coarse, units)}`,
			'by its clamp; hold the camera while it is loose',
			isEnd(to.coarseForeM, stage.coarseForeM)
		);
	if (Math.abs(fine) >= least.plateM)
		add(
			'fineFore',
			'Turn the fore-aft knob: ',
			`${showTurns(fine, stage.foreMPerTurn) ?? 'a touch'} ${way(fine, 'forward', 'back')}`,
			`the plate goes ${by(fine, units)}`,
			isEnd(to.fineForeM, stage.fineForeM)
		);
	if (Math.abs(side) >= least.plateM)
		add(
			'fineSide',
			'Turn the side knob: ',
			`${showTurns(side, stage.sideMPerTurn) ?? 'a touch'} ${way(side, 'left', 'right')}`,
			`the plate goes ${by(side, units)}`,
			isEnd(to.fineSideM, stage.fineSideM)
		);
	const gimbal = to.gimbalM - from.gimbalM;
	if (Math.abs(gimbal) >= least.gimbalM)
		add(
			'gimbal',
			'Set the gimbal ',
			`${way(gimbal, 'up', 'down')} ${by(gimbal, units)}`,
			`to ${together(showPlace(to.gimbalM, units))} above the foot; hold the post while the clamp is open`,
			isEnd(to.gimbalM, gimbalTravel(geometry, to.pulledOutM))
		);
	return lines;
}

export const lineInWords = ({ lead, strong }: SledLine): string => `${lead}${strong}`;

export function sledSlip(
	sled: { readonly geometry: SledGeometry; readonly greatestPayloadKg: number },
	setting: SledSetting,
	figures: SledFigures,
	slipsDone: number,
	units: UnitSystem
): SledSlip {
	const { geometry } = sled;
	const target = targetOf(geometry, setting, figures, figures.cure);
	const lines = linesBetween(geometry, setting, target, units);
	const number = `Slip ${slipsDone + 1}`;
	if (figures.fit === 'tooHeavy')
		return {
			kind: 'tooHeavy',
			heading: 'Too heavy for this sled',
			lines: [],
			target: setting,
			why: `It carries ${together(showMass(sled.greatestPayloadKg, units))} on the plate at most, and this payload weighs ${together(showMass(figures.payloadKg, units))}. Take a larger sled, or take something off.`,
			short: null
		};
	if (figures.clash && !figures.poised)
		return {
			kind: 'clash',
			heading: 'What was seen does not fit together',
			lines: [],
			target: setting,
			why: 'One of the looks is wrong, and until it is struck out or looked at again any move would follow it.',
			short: null
		};
	if (figures.placed) {
		const unseen = (['upright', 'drop', 'spin'] as const).filter((each) => !figures.seen[each]);
		const [look] = unseen;
		if (look === undefined)
			return {
				kind: 'poised',
				heading: 'Seen to stand, to drop in time and to spin true',
				lines: [],
				target: setting,
				why: 'As seen, with everything where it stands now. Log it, then undock.',
				short: null
			};
		return {
			kind: 'placed',
			look,
			heading: `In place, as computed · ${3 - unseen.length} of 3 seen`,
			lines: [],
			target: setting,
			why: `By the figures ${asComputed[look]}; nobody has seen it yet.`,
			short: null
		};
	}
	if (lines.length === 0)
		return {
			kind: 'stuck',
			heading: 'Nothing on this sled moves it nearer',
			lines: [],
			target: setting,
			why: 'Let something else move, add a weight, or take another drop time.',
			short: shortOf(geometry, figures)
		};
	return {
		kind: 'move',
		heading: `${number} · on its stand, one hand on the post`,
		lines,
		target,
		why: whyOf(figures, geometry),
		short: shortOf(geometry, figures)
	};
}

const asComputed = {
	upright: 'it stands upright',
	drop: 'it drops in the wanted time',
	spin: 'it spins true'
} as const;

/** What is out, in the order in which a hand feels it. */
function whyOf(
	{ staticGood, dropGood, spinGood, report, cure, toleranceRad }: SledFigures,
	geometry: SledGeometry
): string {
	const reasons = [
		...(staticGood ? [] : ['it leans']),
		...(dropGood ? [] : [report.dropTimeS.fore === null ? 'it is top-heavy' : 'it drops in the wrong time']),
		...(spinGood
			? []
			: [`it spins ${degrees(worstLean(report))} off its post, where this day forgives ${degrees(toleranceRad)}`])
	];
	const all = reasons.length > 1 ? `${reasons.slice(0, -1).join(', ')} and ${reasons[reasons.length - 1]}` : reasons[0];
	const mover = cure.kind === 'move' ? geometry.items.find(({ id }) => id === cure.id)?.label.toLowerCase() : null;
	const together = mover == null ? '' : ` Moving the ${mover} cures the spin; the plate and the gimbal go with it.`;
	return `Now ${all ?? 'something is out'}; this puts it right in one go.${together}`;
}

export const worstLean = ({ dynamic }: SledFigures['report']): number =>
	Math.abs(dynamic.foreLeanRad) >= Math.abs(dynamic.sideLeanRad) ? dynamic.foreLeanRad : dynamic.sideLeanRad;

function shortOf(geometry: SledGeometry, { cure, toleranceRad, staticBandM }: SledFigures): string | null {
	const { solution, staticOffsetM } = cure;
	const parts: string[] = [];
	if (Math.max(Math.abs(staticOffsetM.fore), Math.abs(staticOffsetM.side)) > staticBandM)
		parts.push('The plate runs out of travel and it still leans: move the camera on its own plate, or the batteries.');
	const lean = Math.max(Math.abs(cure.foreLeanRad), Math.abs(cure.sideLeanRad));
	if (lean > toleranceRad) {
		const ended = solution.shifts.find(({ atLimit, id }) => atLimit && id !== cameraId);
		const label = geometry.items.find(({ id }) => id === ended?.id)?.label.toLowerCase();
		parts.push(
			label === undefined
				? `${degrees(lean)} of lean in a spin remain: let something else move.`
				: `The ${label} meets its end: ${degrees(lean)} of lean in a spin remain.`
		);
	}
	if (!solution.dropTimeMet) {
		const words = {
			tooShort: 'No height of the gimbal drops so quickly',
			gimbalAtTop: 'The gimbal’s clamp ends at the top',
			gimbalAtFoot: 'The gimbal’s clamp ends at the bottom'
		};
		if (solution.reason !== null)
			parts.push(
				`${words[solution.reason]}: ${solution.dropTimeS === null ? 'it stays top-heavy' : `${seconds(solution.dropTimeS)} is the nearest`}.${solution.dropTimeS === null || solution.reason === 'gimbalAtTop' ? ' Pull the post out or add weight at the foot.' : ''}`
			);
	}
	return parts.length === 0 ? null : parts.join(' ');
}
