import { checksFor } from '../input';
import { median } from './spread';

/** The period of a swing, from taps in time with it. */
export interface TappedPeriod {
	/** Seconds there and back. */
	readonly periodS: number;
	/** Full swings between the first tap that counts and the last. */
	readonly swings: number;
	/** Standard deviation of one tap, s; null for two that count. */
	readonly spread: number | null;
	/** Of the period, s; null for two taps that count. */
	readonly standardError: number | null;
	/** Places in `tapsS` that say nothing: a second tap at one swing, or one far beside the rest. */
	readonly dropped: readonly number[];
	/** Taps that are not there: swings that went by without one. */
	readonly missed: number;
}

/** A thumb is good to about three hundredths of a second. */
const thumbS = 0.03;
/** Taps that go with a period are nearer to it than this share of it, most of them. */
const near = 0.08;
/** So many deviations beside the rest a tap is a slip. */
const slipLimit = 3.5;

/**
 * The period of a swing from taps in time with it, in seconds, with its standard error.
 *
 * `tapsS` are the moments of the taps, rising, at least three; `swingsPerTap` (default 1) counts full swings there and back
 * between two taps. Throws `PhysicsInputError` for fewer taps, or taps that go back in time.
 *
 * Each tap is told which swing it belongs to; the period is the slope of the line through the moments over the swings, by least squares:
 * `P = Σ (n − n̄) t / Σ (n − n̄)²`, standard error `s / √Σ (n − n̄)²` with s the taps' own scatter about the line. A tap's error counts once,
 * not in the two intervals beside it. Which swings the taps belong to is read with each interval as the period in turn: of the readings
 * in which most taps lie on the line, the one with the fewest taps left out and missed, and of those the longest period. So a missed tap makes an interval of
 * two swings, and a doubled one counts for none.
 *
 * @example
 * periodFromTaps({ tapsS: [0, 1.4, 2.8, 4.2] }).periodS; // 1.4
 */
export function periodFromTaps(input: {
	readonly tapsS: readonly number[];
	readonly swingsPerTap?: number;
}): TappedPeriod {
	const check = checksFor('periodFromTaps');
	const tapsS = check.list('tapsS', input.tapsS).map((tap, index) => check.number(`tapsS[${index}]`, tap));
	const swingsPerTap = check.positive('swingsPerTap', input.swingsPerTap ?? 1);
	if (tapsS.length < 3) check.fail('tapsS', 'must be at least three taps', tapsS.length);
	const intervals = tapsS.slice(1).map((tap, index) => {
		const gone = tap - (tapsS[index] as number);
		return gone > 0 ? gone : check.fail(`tapsS[${index + 1}]`, 'must come after the tap before it', tap);
	});
	const read = [...new Set(intervals)]
		.sort((a, b) => b - a)
		.map((firstS) => countedBy(tapsS, lineOf(countedBy(tapsS, firstS)).slopeS))
		.map((taps) => ({ taps, line: lineOf(taps) }));
	const typical = ({ taps, line }: (typeof read)[number]) => median(taps.map((tap) => Math.abs(offLine(tap, line))));
	/** Taps that count for none, and swings without one. */
	const faults = (counted: readonly Tap[]) => tapsS.length - counted.length + missedIn(counted);
	const fits = read.filter((each) => each.taps.length >= 3 && typical(each) <= near * each.line.slopeS);
	const { taps, line } =
		fits.length > 0
			? fits.reduce((best, each) => (faults(each.taps) < faults(best.taps) ? each : best))
			: read.reduce((best, each) => (typical(each) < typical(best) ? each : best));
	// With four taps or fewer nobody can tell which of them is beside the rest.
	const limitS = slipLimit * Math.max(1.4826 * typical({ taps, line }), thumbS);
	const kept = taps.length < 5 ? taps : taps.filter((tap) => Math.abs(offLine(tap, line)) <= limitS);
	const { slopeS, spanned } = lineOf(kept);
	const left = kept.reduce((sum, tap) => sum + offLine(tap, lineOf(kept)) ** 2, 0);
	const spread = kept.length < 3 ? null : Math.sqrt(left / (kept.length - 2));
	const swings = kept[kept.length - 1]!.swing - kept[0]!.swing;
	return {
		periodS: slopeS / swingsPerTap,
		swings: swings * swingsPerTap,
		spread,
		standardError: spread === null ? null : spread / Math.sqrt(spanned) / swingsPerTap,
		dropped: tapsS.flatMap((atS, index) => (kept.some((tap) => tap.atS === atS) ? [] : [index])),
		missed: missedIn(taps)
	};
}

/** A tap, and the swing it belongs to, counted from the first. */
interface Tap {
	readonly atS: number;
	readonly swing: number;
}
/** Swings between the first and the last that no tap belongs to. */
const missedIn = (taps: readonly Tap[]): number =>
	(taps[taps.length - 1] as Tap).swing - (taps[0] as Tap).swing + 1 - taps.length;
interface Line {
	readonly slopeS: number;
	readonly middleS: number;
	readonly middle: number;
	readonly spanned: number;
}

/** Which swing each tap belongs to if a swing lasts so long; a second tap at one swing is none. */
function countedBy(tapsS: readonly number[], periodS: number): readonly Tap[] {
	const taps: Tap[] = [{ atS: tapsS[0] as number, swing: 0 }];
	for (const atS of tapsS.slice(1)) {
		const last = taps[taps.length - 1] as Tap;
		const swing = last.swing + Math.round((atS - last.atS) / periodS);
		if (swing > last.swing) taps.push({ atS, swing });
	}
	return taps;
}

function lineOf(taps: readonly Tap[]): Line {
	const middle = taps.reduce((sum, { swing }) => sum + swing, 0) / taps.length;
	const middleS = taps.reduce((sum, { atS }) => sum + atS, 0) / taps.length;
	const spanned = taps.reduce((sum, { swing }) => sum + (swing - middle) ** 2, 0);
	const slopeS = taps.reduce((sum, { swing, atS }) => sum + (swing - middle) * (atS - middleS), 0) / spanned;
	return { slopeS, middleS, middle, spanned };
}
const offLine = ({ atS, swing }: Tap, { slopeS, middleS, middle }: Line) => atS - middleS - slopeS * (swing - middle);
