import { checksFor } from '../input';
import { type AxisValues, readAxes } from './transition';

/**
 * What a head does alone when its link is gone: each axis goes on for the time before it brakes, then brakes by itself, so that
 * it may leave its path. `travel` is each axis's distance until it rests, `|v| · delay + v²/2a`, `stopS` until the last one does,
 * `delay + max |v|/a`. This travel is added to the clearance asked of every live transition. Throws `PhysicsInputError` for an
 * axis without a limit, a limit not above 0 or a delay below 0.
 *
 * @example
 * coast({ rates: { panRad: 1 }, limits: { panRad: { maxAccel: 2 } }, delayS: 0.2 }).travel.panRad; // 0.45
 */
export function coast(input: {
	readonly rates: AxisValues;
	readonly limits: Readonly<Record<string, { readonly maxAccel: number }>>;
	readonly delayS?: number;
}): { readonly stopS: number; readonly travel: Readonly<Record<string, number>> } {
	const check = checksFor('coast');
	const delayS = check.atLeastZero('delayS', input.delayS ?? 0);
	const travel: Record<string, number> = {};
	let stopS = delayS;
	for (const axis of readAxes(check, 'rates', input.rates)) {
		const accel = check.positive(`limits.${axis}.maxAccel`, input.limits?.[axis]?.maxAccel);
		const speed = Math.abs(input.rates[axis]!);
		travel[axis] = check.number(`travel.${axis}`, speed * delayS + (speed * speed) / (2 * accel));
		stopS = Math.max(stopS, check.number(`stopS of ${axis}`, delayS + speed / accel));
	}
	return { stopS, travel };
}

/** How much further than by its own brake a head lets its desk lead it after a release. */
export const releaseFactor = 1.5;

/**
 * How far each axis of a head still travels at most after its hold was let go, whatever its desk goes on sending: the head bounds it by itself
 * (`headStep`), and as much is asked to be free (`withCoasting`).
 *
 * A head that stops on its way stops all axes together, in the time that the slowest of them to stop needs: `T = max |v|/a`. Braked evenly, each
 * then travels `|v| T/2`; the bound is {@link releaseFactor} times that. With one axis that is `1.5 · v²/2a`; it is never less than 1.5 times what
 * an axis needs that brakes alone. Throws `PhysicsInputError` for an axis without a limit or a limit not above 0.
 *
 * @example
 * releaseTravel({ rates: { panRad: 1, tiltRad: 0.2 }, limits: { panRad: { maxAccel: 2 }, tiltRad: { maxAccel: 2 } } }).tiltRad.toFixed(3); // '0.075'
 */
export function releaseTravel(input: {
	readonly rates: AxisValues;
	readonly limits: Readonly<Record<string, { readonly maxAccel: number }>>;
}): AxisValues {
	const check = checksFor('releaseTravel');
	const axes = readAxes(check, 'rates', input.rates);
	const stopS = Math.max(
		...axes.map(
			(axis) => Math.abs(input.rates[axis]!) / check.positive(`limits.${axis}.maxAccel`, input.limits?.[axis]?.maxAccel)
		)
	);
	return Object.fromEntries(
		axes.map((axis) => [
			axis,
			check.number(`travel.${axis}`, (releaseFactor * Math.abs(input.rates[axis]!) * stopS) / 2)
		])
	);
}
