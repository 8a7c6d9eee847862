import { checksFor } from '../input';
import { type Spread, spreadOf } from './spread';

/**
 * The period of a swing from taps in time with it, in seconds, with its spread.
 *
 * `tapsS` are the moments of the taps, rising, at least three; `swingsPerTap` (default 1) counts full swings there and back
 * between two taps. A tap missed or doubled makes an interval that is left out, counted by its place among the intervals.
 * Throws `PhysicsInputError` for fewer taps, or taps that go back in time.
 *
 * The mean is over the kept intervals; its standard error counts each interval on its own, which overstates it a little,
 * since a late tap lengthens one interval and shortens the next.
 *
 * @example
 * periodFromTaps({ tapsS: [0, 1.4, 2.8, 4.2] }).periodS; // 1.4
 */
export function periodFromTaps(input: {
	readonly tapsS: readonly number[];
	readonly swingsPerTap?: number;
}): { readonly periodS: number; readonly swings: number } & Omit<Spread, 'mean'> {
	const check = checksFor('periodFromTaps');
	const tapsS = check.list('tapsS', input.tapsS).map((tap, index) => check.number(`tapsS[${index}]`, tap));
	const swingsPerTap = check.positive('swingsPerTap', input.swingsPerTap ?? 1);
	if (tapsS.length < 3) check.fail('tapsS', 'must be at least three taps', tapsS.length);
	const intervals = tapsS.slice(1).map((tap, index) => {
		const gone = tap - (tapsS[index] as number);
		return (
			(gone > 0 ? gone : check.fail(`tapsS[${index + 1}]`, 'must come after the tap before it', tap)) / swingsPerTap
		);
	});
	// A thumb is good to about three hundredths of a second.
	const { mean, ...spread } = spreadOf({ values: intervals, resolution: 0.03 / swingsPerTap });
	return { periodS: mean, swings: (intervals.length - spread.dropped.length) * swingsPerTap, ...spread };
}
