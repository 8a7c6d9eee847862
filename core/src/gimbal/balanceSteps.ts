import { checksFor } from '../input';
import { dot, length, standardGravityMPerS2, type Vec3 } from '../mass/body';
import { isPoised, stateOf } from './axisState';
import { type AxisLoad, axisLoads, type GimbalChain, listPositions } from './chain';
import { mountPayload, type GimbalRig } from './rig';
import type { Body } from '../mass/body';

/** One slide's turn in the balancing sequence, with the gimbal as it stands. */
export interface BalanceStep {
	readonly slideId: string;
	readonly axisId: string;
	/** From where the slide stands to its target, along the slide's direction. */
	readonly moveM: number;
	/** Offset of its axis along the slide as it now stands: positive, the slide's positive side is heavy. */
	readonly offsetM: number;
	/** Offset at which friction still holds the axis, at least what a hand can set. */
	readonly bandM: number;
	/** The slide is where it should be, within what the axis forgives. */
	readonly placed: boolean;
	/** Axes other than its own whose offset the move changes by more than a hand can set, with that change. */
	readonly upsets: readonly { readonly axisId: string; readonly offsetM: number }[];
}

/** Nobody sets a slide closer than this by eye and thumb. */
const handM = 0.0005;

/**
 * The balancing sequence of a gimbal in the order of its slides: how far each has to go, how its axis stands now, and what
 * the move upsets. `positionsM` is where the slides stand, `targetsM` where `balanceGimbal` wants them, both by slide id.
 *
 * Payload frame and rig frame as in `mountPayload`. Throws `PhysicsInputError` for unknown slides or a gimbal without sense.
 * `bandM` is friction over carried weight, τ/(M g). A slide counts as placed when the move left would change its own
 * axis by less than that band.
 */
export function balanceSteps(input: {
	readonly rig: GimbalRig;
	readonly payload: readonly { readonly id: string; readonly body: Body }[];
	readonly positionsM: Readonly<Record<string, number>>;
	readonly targetsM: Readonly<Record<string, number>>;
	readonly toleranceNm?: number;
	/** The gimbal with its payload as looks have corrected it; absent: as `mountPayload` puts them together. */
	readonly chain?: GimbalChain;
}): { readonly steps: readonly BalanceStep[]; readonly poised: boolean } {
	if (input.toleranceNm !== undefined) checksFor('balanceSteps').atLeastZero('toleranceNm', input.toleranceNm);
	const chain = input.chain ?? mountPayload(input);
	const loads = axisLoads('balanceSteps', chain);
	const positionsM = listPositions('balanceSteps', chain, input.positionsM);
	const targetsM = listPositions('balanceSteps', chain, input.targetsM);
	const states = loads.map((load) => stateOf(load, positionsM));

	const steps = input.rig.slides.map((slide, s): BalanceStep => {
		const own = loads.findIndex(({ axis }) => axis.id === slide.balances);
		const load = loads[own];
		const state = states[own];
		if (load === undefined || state === undefined)
			return checksFor('balanceSteps').fail(`rig.slides[${s}].balances`, 'must be the id of an axis', slide.balances);
		const moveM = (targetsM[s] as number) - (positionsM[s] as number);
		const bandM = Math.max(bandOf(load), handM);
		const perMetre = perMetreOffset(load, s);
		return {
			slideId: slide.id,
			axisId: slide.balances,
			moveM,
			offsetM: dot(state.offsetM, slide.direction),
			bandM,
			placed: Math.abs(moveM) * Math.min(1, length(perMetre)) <= bandM,
			upsets: loads.flatMap((other, index) => {
				const offsetM = Math.abs(moveM) * length(perMetreOffset(other, s));
				return index === own || offsetM <= handM ? [] : [{ axisId: other.axis.id, offsetM }];
			})
		};
	});
	const toleranceNm = input.toleranceNm ?? 0;
	return { steps, poised: loads.every((load, index) => isPoised(load, states[index]!, toleranceNm)) };
}

/** Offset per metre of a slide. */
function perMetreOffset(load: AxisLoad, slide: number): Vec3 {
	const [x, y, z] = load.perSlideKgM[slide] as Vec3;
	const kg = load.carriedKg || 1;
	return [x / kg, y / kg, z / kg];
}

function bandOf(load: AxisLoad): number {
	return load.carriedKg > 0 ? (load.axis.frictionNm ?? 0) / (load.carriedKg * standardGravityMPerS2) : 0;
}
