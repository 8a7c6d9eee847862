import { checksFor } from '../input';
import { type AxisState, isPoised, stateOf } from './axisState';
import { axisLoads, type GimbalChain } from './chain';
import { type Alternative, type CounterweightPlace, findRemedies, type Remedy } from './remedies';
import { solvePositions } from './solvePositions';

export interface BalanceOptions {
	/** Torque an axis may keep and still count as balanced, where its friction is less. Default 1e-6 N·m. */
	readonly toleranceNm?: number;
	/** Where a counterweight can be fixed, for the remedies. Default nowhere. */
	readonly counterweightPlaces?: readonly CounterweightPlace[];
	/** Other holes, the cradle turned, other plates, for the remedies. Default none. */
	readonly alternatives?: readonly Alternative[];
}

export interface SlideTarget {
	readonly id: string;
	readonly positionM: number;
	/** Within 1e-9 m of an end of its range. */
	readonly atLimit: boolean;
}

export interface GimbalBalance {
	readonly slides: readonly SlideTarget[];
	readonly axes: readonly AxisState[];
	readonly balanced: boolean;
	readonly remedies: readonly Remedy[];
}

const limitReachM = 1e-9;
/** Rounding in torque for payloads of a few hundred kilograms is far below this. */
const defaultToleranceNm = 1e-6;

/**
 * Where every slide of a gimbal has to stand, all solved together, and what is left on each axis.
 *
 * Positions in metres from the chain as given, inside each slide's range; offsets in the gimbal frame (x forward, y left,
 * z up), square to their axis, neutral pose. Among equally good positions the one nearest mid-travel is given, least
 * Σ(position − middle)². A gimbal without slides is answered too: nothing to move, the axes as they are.
 *
 * `balanced` means every axis's torque in its worst pose is within its friction or `options.toleranceNm`. When it is not,
 * `remedies` holds what would cure it, cheapest first. Throws `PhysicsInputError` for a chain that makes no sense.
 *
 * First moments are linear in the slides, so the least total squared torque over all axes is a bounded linear
 * least-squares problem. A pan axis used upright counts like the others: it must hold on a slope and upside down.
 * Limits: the neutral pose only; arms do not flex; cables carry nothing.
 *
 * @example
 * balanceGimbal({
 *   chain: {
 *     axes: [{ id: 'tilt', direction: [0, 1, 0], pivotM: [0, 0, 0] }],
 *     parts: [{ id: 'camera', body: { massKg: 2, cgM: [0.01, 0, 0] }, hangsOn: 'tilt' }],
 *     slides: [{ id: 'plate', direction: [1, 0, 0], rangeM: [-0.05, 0.05], moves: ['camera'] }]
 *   }
 * }).slides[0].positionM; // -0.01
 */
export function balanceGimbal(input: {
	readonly chain: GimbalChain;
	readonly options?: BalanceOptions;
}): GimbalBalance {
	const { chain, options = {} } = input;
	const loads = axisLoads('balanceGimbal', chain);
	const toleranceNm = options.toleranceNm ?? defaultToleranceNm;
	checksFor('balanceGimbal').atLeastZero('options.toleranceNm', toleranceNm);

	const positionsM = solvePositions(loads, chain);
	const axes = loads.map((load) => stateOf(load, positionsM));
	const balanced = loads.every((load, index) => isPoised(load, axes[index] as AxisState, toleranceNm));
	const slides = chain.slides.map((slide, index) => {
		const positionM = positionsM[index] as number;
		const [least, greatest] = slide.rangeM;
		return {
			id: slide.id,
			positionM,
			atLimit: positionM - least <= limitReachM || greatest - positionM <= limitReachM
		};
	});
	const remedies = balanced
		? []
		: findRemedies(chain, toleranceNm, options.counterweightPlaces ?? [], options.alternatives ?? []);
	return { slides, axes, balanced, remedies };
}
