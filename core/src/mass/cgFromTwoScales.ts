import { checksFor } from '../input';

/**
 * Where the centre of gravity lies between two scales, as `distanceFromAM` in metres from scale A, and the mass.
 *
 * The payload rests on two edges `spanM` apart, one on each scale. Readings in kg, each at least 0, not both 0.
 * Throws `PhysicsInputError` otherwise. Moments about A: `d (A + B) = span · B`.
 *
 * @example cgFromTwoScales({ scaleAKg: 1, scaleBKg: 3, spanM: 0.4 }).distanceFromAM; // 0.3
 */
export function cgFromTwoScales(input: {
	readonly scaleAKg: number;
	readonly scaleBKg: number;
	readonly spanM: number;
}): { readonly distanceFromAM: number; readonly massKg: number } {
	const check = checksFor('cgFromTwoScales');
	const a = check.atLeastZero('scaleAKg', input.scaleAKg);
	const b = check.atLeastZero('scaleBKg', input.scaleBKg);
	const spanM = check.positive('spanM', input.spanM);
	if (!(a + b > 0)) check.fail('scaleBKg', 'must not be 0 when scale A reads 0 too', b);
	return { distanceFromAM: (spanM * b) / (a + b), massKg: a + b };
}
