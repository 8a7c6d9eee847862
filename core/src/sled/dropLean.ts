import { checksFor } from '../input';
import { dropConstant } from './dropTime';

/** sin π/4: the modulus of a fall from level. */
const modulus = Math.SQRT1_2;

/**
 * How far a sled let go at rest with its post level still leans from the vertical, `atS` seconds after.
 *
 * rad, π/2 at the start, 0 at `dropTimeS`, −π/2 at twice that, and back: the free pendulum, which never tires. Throws
 * `PhysicsInputError` for a drop time that is not positive or a moment that is not finite.
 *
 * `θ(t) = 2 asin(k cd(K t/T, k))` with k = sin(π/4) and K the quarter period: the exact pendulum from rest at a right angle.
 * `cd = cn/dn` by descending arithmetic–geometric means.
 *
 * @example
 * dropLean({ dropTimeS: 2.5, atS: 2.5 }); // 0
 */
export function dropLean({ dropTimeS, atS }: { readonly dropTimeS: number; readonly atS: number }): number {
	const check = checksFor('dropLean');
	const fallS = check.positive('dropTimeS', dropTimeS);
	const sine = sn((dropConstant * check.number('atS', atS)) / fallS + dropConstant);
	// cd(u) = sn(u + K).
	return 2 * Math.asin(Math.max(-1, Math.min(1, modulus * sine)));
}

function sn(u: number): number {
	const means = [{ a: 1, c: modulus }];
	let geometric = Math.sqrt(1 - modulus * modulus);
	for (let last = means[0]!; last.c > 1e-16; last = means[means.length - 1]!) {
		means.push({ a: (last.a + geometric) / 2, c: (last.a - geometric) / 2 });
		geometric = Math.sqrt(last.a * geometric);
	}
	const steps = means.length - 1;
	let phase = 2 ** steps * means[steps]!.a * u;
	for (let n = steps; n > 0; n -= 1) phase = (phase + Math.asin((means[n]!.c / means[n]!.a) * Math.sin(phase))) / 2;
	return Math.sin(phase);
}
