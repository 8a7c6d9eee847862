import { loadingSequence, type LoadingStep, standardGravityMPerS2 } from '@poise/core';
import type { UnitSystem } from '$lib/model/person';
import type { CraneGeometry, CraneSetting, CraneStep } from '$lib/model/crane';
import { showMass, together } from '$lib/units/display';
import type { CraneFigures } from './figures';
import { bareParts, cameraPart, headPart, hungKg, type MountedBody, plateParts, trimPart } from './standing';

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
	/** Everybody clear of nose, tail and the way between. */
	readonly clear: boolean;
}

export interface Order {
	readonly rows: readonly OrderRow[];
	readonly refusedAt: OrderRow | null;
	readonly largestFreeNm: number;
	/** Something that cannot be done in this order: taken off before it is on. */
	readonly impossible: string | null;
}

const stepWords = (step: CraneStep, plateKg: number, units: UnitSystem): string => {
	const { what, on, share = 1 } = step;
	if (what === 'bare') return 'Arm on its base, pinned';
	if (what === 'head') return on ? 'Head on' : 'Head off';
	if (what === 'camera') return on ? 'Camera on, locked and tried' : 'Camera off';
	if (what === 'trim') return on ? 'Trim weight on' : 'Trim weight off';
	if (what === 'plates') return `${together(showMass(plateKg * share, units))} of plates ${on ? 'on' : 'off'}`;
	return on ? 'Hold the arm' : 'Let go, slowly';
};

/** An order of loading or unloading, each step reckoned, and where it would leave the arm free to swing. */
export function checkedOrder(
	geometry: CraneGeometry,
	setting: CraneSetting,
	payload: readonly MountedBody[],
	figures: CraneFigures,
	steps: readonly CraneStep[],
	loading: boolean,
	units: UnitSystem
): Order {
	const plateKg = hungKg(geometry, setting.hung);
	const start = bareParts(geometry, setting);
	const all = [
		...start,
		headPart(geometry, setting),
		cameraPart(geometry, setting, payload),
		trimPart(geometry, setting.trimU)
	];
	const portions = steps.filter(({ what }) => what === 'plates');
	const portionParts = (step: CraneStep) =>
		plateParts(geometry, setting.shareSecond, plateKg * (step.share ?? 1), `portion${step.id}`);
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
	const rows = steps.map((step, index): OrderRow => {
		const { momentNm, ok } = result.steps[index]!;
		const kg = Math.abs(momentNm) / standardGravityMPerS2;
		const noseHeavy = momentNm > 0;
		return {
			step,
			words: stepWords(step, plateKg, units),
			holds: step.held
				? `one holds the ${noseHeavy ? 'nose up' : 'tail up'}: ${together(showMass(noseHeavy ? kg / figures.noseU : kg / geometry.rear.lengthM, units))}`
				: 'nobody holds',
			momentNm,
			atNoseKg: kg / figures.noseU,
			atTailKg: kg / geometry.rear.lengthM,
			ok,
			clear: step.what === 'free' || step.what === 'camera'
		};
	});
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
	return { rows, refusedAt: refused, largestFreeNm: result.largestFreeMomentNm, impossible };
}

/** Why a step is refused, in the words of the hand. */
export const refusalInWords = (row: OrderRow, units: UnitSystem): string =>
	`After “${row.words}” nobody holds the arm, and it swings ${row.momentNm > 0 ? 'nose' : 'tail'} down with ${together(
		showMass(row.momentNm > 0 ? row.atNoseKg : row.atTailKg, units)
	)} at its ${row.momentNm > 0 ? 'nose' : 'tail'}. Have it held, or put the weights and the load the other way round.`;
