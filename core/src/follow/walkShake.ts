import { checksFor } from '../input';
import { followResponse } from './followResponse';
import type { WalkSine } from './feelAt';
import type { FollowPlant, FollowSettings } from './settings';

/** A walk comes in softly, has settled after the first, and is judged until the second, s. */
const [walkSoftS, walkFromS, walkToS] = [1, 4, 12] as const;
const stepS = 0.002;

/** How far a walk has turned the handle, rad: its sines together, coming in over the first second. */
export function walkAngle(walk: readonly WalkSine[], t: number): number {
	const soft = t >= walkSoftS ? 1 : (1 - Math.cos((Math.PI * t) / walkSoftS)) / 2;
	let angle = 0;
	for (const { turnRad = 0, frequencyHz, phaseRad = 0 } of walk)
		angle += turnRad * Math.sin(2 * Math.PI * frequencyHz * t + phaseRad);
	return soft * angle;
}

/** RMS about the mean. */
export function rmsOf(values: ArrayLike<number>, from = 0, to = values.length): number {
	let [sum, square] = [0, 0];
	for (let k = from; k < to; k += 1) sum += values[k]!;
	const mean = sum / (to - from);
	for (let k = from; k < to; k += 1) square += (values[k]! - mean) ** 2;
	return Math.sqrt(square / (to - from));
}

/** RMS of what moving the handle pushes a centre off its axis by, through the motor's loop: linear, so that its sines add by their squares. */
export function pushedBy(plant: FollowPlant & { readonly firstMomentKgM?: number }, walk: readonly WalkSine[]): number {
	const { inertiaKgM2, naturalRadPerS, damping, couplingNmS, firstMomentKgM = 0 } = plant;
	const stiffness = inertiaKgM2 * naturalRadPerS ** 2;
	let square = 0;
	for (const { amplitudeM, frequencyHz } of walk) {
		const omega = 2 * Math.PI * frequencyHz;
		const damp = (2 * damping * naturalRadPerS * inertiaKgM2 + couplingNmS) * omega;
		const push = firstMomentKgM * amplitudeM * omega ** 2;
		square += push ** 2 / ((stiffness - inertiaKgM2 * omega ** 2) ** 2 + damp ** 2) / 2;
	}
	return Math.sqrt(square);
}

/**
 * How much a walk shakes the camera, RMS about its mean, rad: the whole walk stepped by `followResponse`, with the camera's own loop, its delay
 * and the reference's limits, and what moving the handle does to a centre off its axis. Throws `PhysicsInputError` as {@link followResponse} does.
 *
 * @example
 * walkShake({ settings: { followPerS: 2, deadbandRad: 0.2, maxRateRadPerS: 3, maxAccelRadPerS2: 20, smoothS: 0.1 }, plant: { inertiaKgM2: 0.02, naturalRadPerS: 40, damping: 0.7, couplingNmS: 0 }, walk: [{ amplitudeM: 0, frequencyHz: 1.8, turnRad: 0.05 }] }).shakeRad; // 0
 */
export function walkShake(input: {
	readonly settings: FollowSettings;
	readonly plant: FollowPlant & { readonly firstMomentKgM?: number };
	readonly walk: readonly WalkSine[];
}): { readonly shakeRad: number; readonly turnedRad: number; readonly pushedRad: number } {
	const check = checksFor('walkShake');
	const { settings, plant } = input;
	const walk = check.list('walk', input.walk);
	walk.forEach(({ amplitudeM, frequencyHz, turnRad = 0, phaseRad = 0 }, k) => {
		check.number(`walk[${k}].amplitudeM`, amplitudeM);
		check.positive(`walk[${k}].frequencyHz`, frequencyHz);
		check.number(`walk[${k}].turnRad`, turnRad);
		check.number(`walk[${k}].phaseRad`, phaseRad);
	});
	check.number('plant.firstMomentKgM', plant.firstMomentKgM ?? 0);
	const atS = Array.from({ length: Math.round(walkToS / stepS) + 1 }, (_, k) => k * stepS);
	const { cameraRad } = followResponse({
		...{ settings, plant, endS: walkToS, atS },
		handle: { kind: 'path', atS, angleRad: atS.map((t) => walkAngle(walk, t)) }
	});
	const turnedRad = rmsOf(cameraRad, Math.round(walkFromS / stepS));
	const pushedRad = pushedBy(plant, walk);
	return { shakeRad: Math.hypot(turnedRad, pushedRad), turnedRad, pushedRad };
}
