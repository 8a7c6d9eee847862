import { checksFor } from '../input';

/**
 * How far the centre of gravity lies from an axis, as `offsetM` towards the side that presses on the scale.
 *
 * A pocket scale holds the axis level: `readingKg` at a horizontal distance `leverM` from the axis, `carriedKg` all that
 * the axis carries. It works where the axis meets a stop before it can hang. Throws `PhysicsInputError` for a reading
 * below 0, a lever or mass that is not more than 0. Moments about the axis: `carried · offset = reading · lever`.
 *
 * @example
 * offsetFromScale({ readingKg: 0.06, leverM: 0.2, carriedKg: 1.5 }).offsetM; // 0.008
 */
export function offsetFromScale(input: {
	readonly readingKg: number;
	readonly leverM: number;
	readonly carriedKg: number;
}): { readonly offsetM: number } {
	const check = checksFor('offsetFromScale');
	const readingKg = check.atLeastZero('readingKg', input.readingKg);
	const leverM = check.positive('leverM', input.leverM);
	const carriedKg = check.positive('carriedKg', input.carriedKg);
	return { offsetM: (readingKg * leverM) / carriedKg };
}
