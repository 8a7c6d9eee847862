import { length, scale, standardGravityMPerS2, type Vec3 } from '../mass/body';
import { type AxisLoad, axisLoads, type GimbalChain, listPositions, momentAt } from './chain';

/** How one axis stands: what it carries, how far off, and what that costs. */
export interface AxisState {
	readonly id: string;
	/** Carried centre of gravity relative to the pivot, square to the axis, rig frame. */
	readonly offsetM: Vec3;
	readonly carriedKg: number;
	/** Torque about the axis in the worst pose of the gimbal. */
	readonly residualTorqueNm: number;
	/** That torque as a share of the motor's; null where the motor is unknown. */
	readonly motorShare: number | null;
}

/**
 * The state of every axis with the slides where they stand, outermost first.
 *
 * `positionsM` by slide id, metres from the chain as given; a slide not named stands at 0, and positions outside the
 * range are taken as they are. Neutral pose: an unbalanced inner axis moves the outer axes' centre of gravity as it
 * turns, which this does not follow. Throws `PhysicsInputError` for a chain or a slide that makes no sense.
 *
 * The worst pose has gravity square to both the axis and the offset: torque `g · carriedKg · |offset|`.
 *
 * @example
 * axisStates({
 *   chain: {
 *     axes: [{ id: 'tilt', direction: [0, 1, 0], pivotM: [0, 0, 0] }],
 *     parts: [{ id: 'camera', body: { massKg: 2, cgM: [0.01, 0, 0] }, hangsOn: 'tilt' }],
 *     slides: [{ id: 'plate', direction: [1, 0, 0], rangeM: [-0.05, 0.05], moves: ['camera'] }]
 *   },
 *   positionsM: { plate: -0.01 }
 * })[0].residualTorqueNm; // 0
 */
export function axisStates(input: {
	readonly chain: GimbalChain;
	readonly positionsM: Readonly<Record<string, number>>;
}): AxisState[] {
	const loads = axisLoads('axisStates', input.chain);
	const positionsM = listPositions('axisStates', input.chain, input.positionsM);
	return loads.map((load) => stateOf(load, positionsM));
}

/** The state of one axis with the slides at `positionsM`. An axis that carries nothing is balanced. */
export function stateOf(load: AxisLoad, positionsM: readonly number[]): AxisState {
	const momentKgM = momentAt(load, positionsM);
	const offsetM: Vec3 = load.carriedKg > 0 ? scale(momentKgM, 1 / load.carriedKg) : [0, 0, 0];
	const residualTorqueNm = standardGravityMPerS2 * length(momentKgM);
	const motor = load.axis.motorTorqueNm;
	return {
		id: load.axis.id,
		offsetM,
		carriedKg: load.carriedKg,
		residualTorqueNm,
		motorShare: motor === undefined ? null : residualTorqueNm / motor
	};
}

/** An axis rests where it is put while its torque stays within its friction or the asked tolerance. */
export function isPoised(load: AxisLoad, state: AxisState, toleranceNm: number): boolean {
	return state.residualTorqueNm <= Math.max(load.axis.frictionNm ?? 0, toleranceNm);
}
