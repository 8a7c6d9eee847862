import { checksFor } from '../input';
import { type AxisValues, readAxes } from './transition';

/**
 * After its hold is let go a head bounds what each axis still travels by this many times its own brake, whatever a desk goes on sending
 * (`headStep`); as much is what has to be free beside and beyond its way.
 */
export const releaseFactor = 1.5;

/**
 * What a head does alone when its link is gone: each axis goes on for the time before it brakes, then brakes by itself, so that
 * it may leave its path. `travel` is each axis's distance until it rests, `|v| · delay + factor · v²/2a`, `stopS` until the last one does,
 * `delay + max |v|/a`. The factor is 1 where an axis brakes as hard as it can, {@link releaseFactor} for what it may travel at most. This travel is added to the clearance asked of every live transition. Throws `PhysicsInputError` for an
 * axis without a limit, a limit not above 0 or a delay below 0, a factor below 1.
 *
 * @example
 * coast({ rates: { panRad: 1 }, limits: { panRad: { maxAccel: 2 } }, delayS: 0.2 }).travel.panRad; // 0.45
 */
export function coast(input: {
	readonly rates: AxisValues;
	readonly limits: Readonly<Record<string, { readonly maxAccel: number }>>;
	readonly delayS?: number;
	readonly factor?: number;
}): { readonly stopS: number; readonly travel: Readonly<Record<string, number>> } {
	const check = checksFor('coast');
	const delayS = check.atLeastZero('delayS', input.delayS ?? 0);
	const factor = check.number('factor', input.factor ?? 1);
	if (factor < 1) check.fail('factor', 'must be at least 1', factor);
	const travel: Record<string, number> = {};
	let stopS = delayS;
	for (const axis of readAxes(check, 'rates', input.rates)) {
		const accel = check.positive(`limits.${axis}.maxAccel`, input.limits?.[axis]?.maxAccel);
		const speed = Math.abs(input.rates[axis]!);
		travel[axis] = check.number(`travel.${axis}`, speed * delayS + (factor * speed * speed) / (2 * accel));
		stopS = Math.max(stopS, check.number(`stopS of ${axis}`, delayS + speed / accel));
	}
	return { stopS, travel };
}
