import { checksFor } from '../input';

export interface Spread {
	readonly mean: number;
	/** Standard deviation of one reading; null for a single one. */
	readonly spread: number | null;
	/** Standard error of the mean; null for a single reading. */
	readonly standardError: number | null;
	/** Places in `values` of readings left out as slips of the hand. */
	readonly dropped: readonly number[];
}

/** Scales the median distance from the median to a standard deviation of normal readings: 1/Φ⁻¹(¾). */
const madToSigma = 1.4826;

/**
 * Mean and spread of repeated readings of one thing, with slips of the hand left out.
 *
 * `values` in any one unit, at least one. With four or more, a reading further from the median than
 * `slipLimit` (default 3.5) times the robust spread is dropped; the robust spread is 1.4826 times the median distance
 * from the median, and at least `resolution` (default 0), the finest step the reading was taken in, so that readings which
 * agree by rounding do not make an honest neighbour a slip. Throws `PhysicsInputError` for an empty list or a number that
 * is not finite.
 *
 * @example
 * spreadOf({ values: [1.0, 1.02, 0.98, 1.0, 2.0] }).mean; // 1
 */
export function spreadOf(input: {
	readonly values: readonly number[];
	readonly resolution?: number;
	readonly slipLimit?: number;
}): Spread {
	const check = checksFor('spreadOf');
	const values = check.list('values', input.values).map((value, index) => check.number(`values[${index}]`, value));
	const resolution = check.atLeastZero('resolution', input.resolution ?? 0);
	const slipLimit = check.positive('slipLimit', input.slipLimit ?? 3.5);

	const centre = median(values);
	const typical = Math.max(madToSigma * median(values.map((value) => Math.abs(value - centre))), resolution);
	const isSlip = (value: number) => values.length >= 4 && Math.abs(value - centre) > slipLimit * typical;
	const dropped = values.flatMap((value, index) => (isSlip(value) ? [index] : []));
	const kept = values.filter((value) => !isSlip(value));

	const mean = kept.reduce((sum, value) => sum + value, 0) / kept.length;
	if (kept.length === 1) return { mean, spread: null, standardError: null, dropped };
	const variance = kept.reduce((sum, value) => sum + (value - mean) ** 2, 0) / (kept.length - 1);
	const spread = Math.sqrt(variance);
	return { mean, spread, standardError: spread / Math.sqrt(kept.length), dropped };
}

/**
 * The middle of the values, of an even number the mean of the middle two. Throws `PhysicsInputError` for none, and for any that
 * is not finite.
 *
 * @example
 * median([5, 1, 2]); // 2
 */
export function median(values: readonly number[]): number {
	const check = checksFor('median');
	check.list('values', values).forEach((value, index) => check.number(`values[${index}]`, value));
	const sorted = [...values].sort((a, b) => a - b);
	const half = Math.floor(sorted.length / 2);
	const upper = sorted[half] as number;
	return sorted.length % 2 === 1 ? upper : ((sorted[half - 1] as number) + upper) / 2;
}
