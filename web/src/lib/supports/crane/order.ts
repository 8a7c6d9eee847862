import {
	type CranePart,
	loadingSequence,
	type LoadingStep,
	stabilityEnvelope,
	standardGravityMPerS2
} from '@poise/core';
import type { UnitSystem } from '$lib/model/person';
import type { CraneGeometry, CraneGround, CraneSetting, CraneStep, Hung } from './model';
import { showMass, together } from '$lib/sheet/units/display';
import { type CraneFigures, leastReserve } from './figures';
import {
	bareParts,
	cameraPart,
	envelopeOf,
	headPart,
	hungKg,
	type MountedBody,
	plateParts,
	trimPart
} from './standing';
import { platesInWords } from './slip';

export interface OrderRow {
	readonly step: CraneStep;
	readonly words: string;
	/** Who does what, and who holds. */
	readonly holds: string;
	readonly momentNm: number;
	/** To hold it still, at the nose or at the tail. */
	readonly atNoseKg: number;
	readonly atTailKg: number;
	readonly ok: boolean;
	/** Against tipping once this is done, arm level, at its worst swing, on this ground: whoever holds carries what is out of balance. */
	readonly reserve: number;
	/** The same, should whoever holds let go. */
	readonly letGo: number;
	/** Everybody clear of nose, tail and the way between. */
	readonly clear: boolean;
}

export interface Order {
	readonly rows: readonly OrderRow[];
	readonly refusedAt: OrderRow | null;
	/** The step after which the least is left before it tips. */
	readonly shakiest: OrderRow;
	/** It tips there, or nearly. */
	readonly tips: boolean;
	/** The first step after which it tips too if whoever holds lets go; null: there is none. */
	readonly hangsOnHand: OrderRow | null;
	readonly largestFreeNm: number;
	/** Something that cannot be done in this order: taken off before it is on. */
	readonly impossible: string | null;
}

const stepWords = (geometry: CraneGeometry, step: CraneStep, plates: Hung, units: UnitSystem): string => {
	const { what, on } = step;
	if (what === 'bare') return 'Arm on its base, pinned';
	if (what === 'head') return on ? 'Head on' : 'Head off';
	if (what === 'camera') return on ? 'Camera on, locked and tried' : 'Camera off';
	if (what === 'trim') return on ? 'Trim weight on' : 'Trim weight off';
	if (what === 'plates') return `${on ? 'Hang' : 'Take off'} ${platesInWords(geometry, plates, units)}`;
	return on ? 'Hold the arm' : 'Let go, slowly';
};

/**
 * The plates that hang, shared out over the steps that hang or take off some: whole plates, as near to each step's share as they
 * come, the last step having what is left. Large plates first, as hands do it.
 */
export function sharedOut(geometry: Pick<CraneGeometry, 'plates'>, hung: Hung, steps: readonly CraneStep[]): Hung[] {
	const portions = steps.filter(({ what }) => what === 'plates');
	const totalKg = hungKg(geometry, hung);
	const largestFirst = geometry.plates
		.map((_, index) => index)
		.sort((a, b) => massOf(geometry, b) - massOf(geometry, a));
	let left = [...hung];
	let askedKg = 0;
	return portions.map(({ share = 1 }, portion) => {
		if (portion === portions.length - 1) return left;
		askedKg += totalKg * share;
		const goneKg = totalKg - hungKg(geometry, left);
		const taken = left.map(() => 0);
		let restKg = askedKg - goneKg;
		for (const index of largestFirst) {
			const kg = massOf(geometry, index);
			const count = Math.max(0, Math.min(left[index] ?? 0, Math.floor(restKg / kg + 1e-9)));
			taken[index] = count;
			restKg -= count * kg;
		}
		// One more of a small plate where that comes nearer.
		const near = largestFirst.findLast((index) => (left[index] ?? 0) > (taken[index] ?? 0));
		if (near !== undefined && restKg > massOf(geometry, near) / 2) taken[near] = (taken[near] ?? 0) + 1;
		left = left.map((count, index) => count - (taken[index] ?? 0));
		return taken;
	});
}

const massOf = ({ plates }: Pick<CraneGeometry, 'plates'>, index: number) => plates[index]?.massKg ?? 0;

/** An order of loading or unloading, each step reckoned, and where it would leave the arm free to swing. */
export function checkedOrder(
	geometry: CraneGeometry,
	setting: CraneSetting,
	payload: readonly MountedBody[],
	figures: CraneFigures,
	steps: readonly CraneStep[],
	loading: boolean,
	units: UnitSystem,
	ground: CraneGround
): Order {
	const start = bareParts(geometry, setting);
	const all = [
		...start,
		headPart(geometry, setting),
		cameraPart(geometry, setting, payload),
		trimPart(geometry, setting.trimU)
	];
	const portions = steps.filter(({ what }) => what === 'plates');
	const shares = sharedOut(geometry, setting.hung, steps);
	const platesOf = (step: CraneStep): Hung => shares[portions.indexOf(step)] ?? geometry.plates.map(() => 0);
	const portionParts = (step: CraneStep) =>
		plateParts(geometry, setting.shareSecond, hungKg(geometry, platesOf(step)), `portion${step.id}`);
	const begin = loading ? start : [...all, ...portions.flatMap(portionParts)];
	const part = (what: CraneStep['what']) =>
		what === 'head'
			? [headPart(geometry, setting)]
			: what === 'camera'
				? [cameraPart(geometry, setting, payload)]
				: what === 'trim'
					? [trimPart(geometry, setting.trimU)]
					: [];
	const asked = steps.map((step): LoadingStep => {
		const parts = step.what === 'plates' ? portionParts(step) : part(step.what);
		return {
			id: step.id,
			held: step.held,
			...(parts.length === 0 || step.what === 'bare' || step.what === 'free'
				? {}
				: step.on
					? { add: parts }
					: { remove: parts.map(({ id }) => id) })
		};
	});
	const result = loadingSequence({
		arm: { parts: begin },
		boomRad: 0,
		holdingLimitNm: figures.freeLimitNm,
		steps: asked
	});
	const reserve = (on: readonly CranePart[]) =>
		stabilityEnvelope({ ...envelopeOf(geometry, setting, payload, ground, { parts: on }), boomRangeRad: [0, 0] })
			.reserve;
	let parts: readonly CranePart[] = begin;
	const rows = steps.map((step, index): OrderRow => {
		const { add = [], remove = [] } = asked[index]!;
		parts = [...parts.filter(({ id }) => !remove.includes(id)), ...add];
		const { momentNm, ok } = result.steps[index]!;
		const kg = Math.abs(momentNm) / standardGravityMPerS2;
		const noseHeavy = momentNm > 0;
		return {
			step,
			words: stepWords(geometry, step, platesOf(step), units),
			holds: step.held
				? `one holds the ${noseHeavy ? 'nose up' : 'tail up'}: ${together(showMass(noseHeavy ? kg / figures.noseU : kg / geometry.rear.lengthM, units))}`
				: 'nobody holds',
			momentNm,
			atNoseKg: kg / figures.noseU,
			atTailKg: kg / geometry.rear.lengthM,
			ok,
			reserve: step.held ? reserve(carried(parts, kg / figures.noseU)) : reserve(parts),
			letGo: reserve(parts),
			clear: step.what === 'free' || step.what === 'camera'
		};
	});
	const shakiest = rows.reduce((least, row) => (row.reserve < least.reserve ? row : least));
	const refused = rows.find(({ ok }) => !ok) ?? null;
	// The head carries the camera: neither comes before, or goes after, the other.
	const at = (what: CraneStep['what']) => steps.findIndex((step) => step.what === what);
	const [head, camera] = [at('head'), at('camera')];
	const impossible =
		head >= 0 && camera >= 0 && (loading ? camera < head : head < camera)
			? loading
				? 'The camera cannot go on before the head it hangs on.'
				: 'The head cannot come off with the camera still on it.'
			: null;
	return {
		rows,
		refusedAt: refused,
		shakiest,
		tips: shakiest.reserve < leastReserve,
		hangsOnHand: rows.find(({ letGo }) => letGo < leastReserve) ?? null,
		largestFreeNm: result.largestFreeMomentNm,
		impossible
	};
}

/** An arm whose want of balance a hand carries: all of it over the pivot, less what the hand lifts. */
function carried(parts: readonly CranePart[], liftedKg: number): readonly CranePart[] {
	const massKg = parts.reduce((sum, part) => sum + part.massKg, 0);
	const vM = parts.reduce((sum, part) => sum + part.massKg * part.vM, 0) / massKg;
	return [{ id: 'arm', massKg: Math.max(0, massKg - liftedKg), uM: 0, vM }];
}

/** One sentence where the hand is; the orders keep to it: some weights go before the camera does. */
export const whipCaution =
	'An arm whips when its load comes off: weights off before the camera, as the steps say, somebody holding, nobody under it.';

/** Where an order would have the crane tip, and what would not. */
export const tippingInWords = ({ shakiest }: Order): string =>
	`${shakiest.reserve <= 0 ? 'Not safe as drawn: after' : 'Nearly tipping: after'} “${shakiest.words}” ${
		shakiest.reserve <= 0 ? 'it tips' : `only ${(shakiest.reserve * 100).toFixed(0)} % of reserve is left`
	} with the arm at its worst swing. Load and weigh in smaller goes, keep the arm over the longer side of the base, or put ballast on it.`;

/** Why a step is refused, in the words of the hand. */
export const refusalInWords = (row: OrderRow, units: UnitSystem): string =>
	`After “${row.words}” nobody holds the arm, and it swings ${row.momentNm > 0 ? 'nose' : 'tail'} down with ${together(
		showMass(row.momentNm > 0 ? row.atNoseKg : row.atTailKg, units)
	)} at its ${row.momentNm > 0 ? 'nose' : 'tail'}. Have it held, or put the weights and the load the other way round.`;

/** Which step leaves the base standing only because somebody holds the arm. */
export const onHandInWords = (row: OrderRow): string =>
	`After “${row.words}” the base tips over too if whoever holds the arm lets go: rest the nose on a stand, or hang some of the weights before it.`;
