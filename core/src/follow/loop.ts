import { checksFor } from '../input';
import { checkSettings, type FollowSettings } from './settings';

/**
 * How far the reference stays behind a handle that turns at a steady rate, rad: `deadband + rate / followPerS`, of the
 * rate's sign. A rate beyond what the axis turns at, or an axis that holds, is never caught up with: `feasible` is false
 * and `lagRad` null. Throws `PhysicsInputError` for settings without sense.
 *
 * @example
 * steadyLag({ settings: { followPerS: 2, deadbandRad: 0.1, maxRateRadPerS: 2, maxAccelRadPerS2: 9, smoothS: 0.1 }, rateRadPerS: 1 }).lagRad; // 0.6
 */
export function steadyLag(input: { readonly settings: FollowSettings; readonly rateRadPerS: number }): {
	readonly lagRad: number | null;
	readonly feasible: boolean;
} {
	const check = checksFor('steadyLag');
	const { followPerS, deadbandRad, maxRateRadPerS, joystickRadPerS } = checkSettings(check, input.settings);
	const rate = check.number('rateRadPerS', input.rateRadPerS);
	const byHand = rate - joystickRadPerS;
	if (byHand === 0) return { lagRad: 0, feasible: true };
	if (Math.abs(rate) > maxRateRadPerS || followPerS === 0) return { lagRad: null, feasible: false };
	return { lagRad: Math.sign(byHand) * deadbandRad + byHand / followPerS, feasible: true };
}

/** Of the loop `(K + D s)/(I s²)`: its crossover over the natural rate. */
const crossover = (damping: number) => Math.sqrt(2 * damping ** 2 + Math.sqrt(4 * damping ** 4 + 1));

/**
 * How far the motor's loop is from buzzing, rad: `PM = atan(2 ζ x) − ωn x τ` with `x² = 2 ζ² + √(4 ζ⁴ + 1)`, x the crossover
 * over the natural rate. Below 0 it buzzes. From |L(iω)| = 1 of `L = (K + D s)/(I s²) · e^{−sτ}`; the inertia drops out
 * when stiffness is counted as natural rate. Throws `PhysicsInputError` for an inertia or rate not above 0.
 *
 * @example
 * phaseMargin({ inertiaKgM2: 0.01, naturalRadPerS: 30, damping: 0.7, delayS: 0 }).phaseMarginRad; // 1.1371935948630467
 */
export function phaseMargin(input: {
	readonly inertiaKgM2: number;
	readonly naturalRadPerS: number;
	readonly damping: number;
	readonly delayS: number;
}): { readonly phaseMarginRad: number; readonly crossoverRadPerS: number } {
	const check = checksFor('phaseMargin');
	check.positive('inertiaKgM2', input.inertiaKgM2);
	const natural = check.positive('naturalRadPerS', input.naturalRadPerS);
	const damping = check.atLeastZero('damping', input.damping);
	const delay = check.atLeastZero('delayS', input.delayS);
	const x = crossover(damping);
	return { phaseMarginRad: Math.atan(2 * damping * x) - natural * x * delay, crossoverRadPerS: natural * x };
}

/**
 * The stiffest the motor may be set, as a natural rate, and keep the margin that is asked for: `(atan 2ζx − PM)/(x τ)`.
 * `feasible` is false where the damping alone does not give that margin; then the rate is 0. Throws `PhysicsInputError`
 * for a delay not above 0 (without one there is no stiffest), a damping below 0 or a margin outside 0 to π/2.
 *
 * @example
 * stiffestNatural({ damping: 0.7, delayS: 0.005, phaseMarginRad: Math.PI / 4 }).naturalRadPerS; // 45.60565309421022
 */
export function stiffestNatural(input: {
	readonly damping: number;
	readonly delayS: number;
	/** Default 45°. */
	readonly phaseMarginRad?: number;
}): { readonly naturalRadPerS: number; readonly feasible: boolean } {
	const check = checksFor('stiffestNatural');
	const damping = check.atLeastZero('damping', input.damping);
	const delay = check.positive('delayS', input.delayS);
	const margin = check.atLeastZero('phaseMarginRad', input.phaseMarginRad ?? Math.PI / 4);
	if (margin >= Math.PI / 2) check.fail('phaseMarginRad', 'must be less than a right angle', margin);
	const x = crossover(damping);
	const naturalRadPerS = (Math.atan(2 * damping * x) - margin) / (x * delay);
	return naturalRadPerS > 0 ? { naturalRadPerS, feasible: true } : { naturalRadPerS: 0, feasible: false };
}

/**
 * How far a bad balance leans the camera off its reference, rad, of the torque's sign: `residual / (I ωn²)`, the angle at
 * which the motor's stiffness holds it. Throws `PhysicsInputError` for an inertia or rate not above 0.
 *
 * @example
 * imbalanceSag({ residualTorqueNm: 0.12, inertiaKgM2: 0.008, naturalRadPerS: 20 }).sagRad; // 0.0375
 */
export function imbalanceSag(input: {
	readonly residualTorqueNm: number;
	readonly inertiaKgM2: number;
	readonly naturalRadPerS: number;
}): { readonly sagRad: number } {
	const check = checksFor('imbalanceSag');
	const torque = check.number('residualTorqueNm', input.residualTorqueNm);
	const inertia = check.positive('inertiaKgM2', input.inertiaKgM2);
	const natural = check.positive('naturalRadPerS', input.naturalRadPerS);
	return { sagRad: torque / (inertia * natural ** 2) };
}

/**
 * How late a motor's loop is that begins to buzz at a natural rate, s: the delay at which {@link phaseMargin} is 0,
 * `atan(2 ζ x) / (ωn x)`. Throws `PhysicsInputError` for a rate or a damping not above 0: undamped it buzzes at any.
 *
 * @example
 * delayFromBuzz({ naturalRadPerS: 60, damping: 0.7 }).delayS; // 0.012285183364524329
 */
export function delayFromBuzz(input: { readonly naturalRadPerS: number; readonly damping: number }): {
	readonly delayS: number;
} {
	const check = checksFor('delayFromBuzz');
	const natural = check.positive('naturalRadPerS', input.naturalRadPerS);
	const damping = check.positive('damping', input.damping);
	const x = crossover(damping);
	return { delayS: Math.atan(2 * damping * x) / (natural * x) };
}
