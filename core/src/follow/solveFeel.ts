import { type FeelLimit, type FeelPoint, over, readFeel, type SolveFeelInput } from './feelAt';
import { judgeFeel } from './judgeFeel';
import { steppedFeel } from './steppedFeel';

export interface Feel {
	readonly followPerS: number;
	readonly deadbandRad: number;
	readonly smoothS: number;
	readonly naturalRadPerS: number;
	/** The camera's shake in the walk, RMS. */
	readonly shakeRad: number;
	readonly lagRad: number;
	readonly settleS: number;
	readonly overshootRad: number;
	/** Every wish is met. */
	readonly feasible: boolean;
	/** What stands in the way of less shake, or where it is not feasible, of every wish. */
	readonly binding: readonly FeelLimit[];
}

/** So near to its limit a wish binds. */
const binds = 0.95;

/**
 * The follow settings and the stiffness of least shake in a walk, subject to wishes.
 *
 * Everything claimed is that of the stepped response (`followResponse`): shake of the whole walk ({@link walkShake}), settling and overshoot of
 * a quick turn, with the camera's own loop, its delay and the reference's limits; lag is `deadband + pan/follow`, stiffness is kept to its
 * margin ({@link stiffestNatural}). Looked for on a coarse grid by harmonic balance first, which takes the law beyond its dead band as a gain:
 * good for finding valleys, blind to single peaks that pass a dead band. The best of them, and wider ones, are stepped, and a pattern that
 * halves around the two best goes down by what they really do; the best that keep every wish in the response itself are told.
 *
 * Where no point of the ranges meets every wish, the one that misses them least, as shares, is given with `feasible`
 * false and what it misses in `binding`. Throws `PhysicsInputError` for ranges upside down or not above 0, a walk without
 * sines, or wishes that are not above 0.
 *
 * @example
 * Number(solveFeel({ plant: { inertiaKgM2: 0.01, damping: 0.7, couplingNmS: 0, delayS: 0.005 }, walk: [{ amplitudeM: 0.03, frequencyHz: 2, turnRad: 0.05 }], wanted: { lagRad: 0.3 }, ranges: { followPerS: [0.5, 10], deadbandRad: [0, 0.3], smoothS: [0.02, 0.6], naturalRadPerS: [8, 80] } }).feasible); // 1
 */
export function solveFeel(input: SolveFeelInput): Feel {
	const feel = readFeel(input);
	const { ranges } = feel;
	const logs = ranges.map(([least]) => least > 0);
	const place = (k: number, share: number) => {
		const [least, most] = ranges[k]!;
		return logs[k]! ? least * (most / least) ** share : least + (most - least) * share;
	};
	const pointAt = (shares: Shares) => [0, 1, 2, 3].map((k) => place(k, shares[k]!)) as unknown as FeelPoint;
	const shareOf = (k: number, value: number) => {
		const [low, high] = ranges[k]!;
		const kept = Math.min(high, Math.max(low, value));
		if (high === low) return 0;
		return logs[k]! ? Math.log(kept / low) / Math.log(high / low) : (kept - low) / (high - low);
	};
	/** The widest dead band that the wish for lag leaves at a follow rate, as a share of its range. */
	const widest = (followShare: number) => shareOf(1, feel.widestDeadbandRad(place(0, followShare)));
	/** As wide as the walk turns the handle. */
	const walked = shareOf(1, feel.walkRad);
	const stiffest = shareOf(3, feel.stiffest);
	const naturals = [...Array.from({ length: naturalSteps + 1 }, (_, k) => (stiffest * k) / naturalSteps)];

	/** Of every dead band and either end of stiffness the best on a coarse grid: soft and stiff, wide and narrow are valleys apart. */
	const starts = new Map<string, { shares: Shares; worth: Worth }>();
	for (let i = 0; i <= followSteps; i += 1)
		for (let k = 0; k <= smoothSteps; k += 1) {
			const [follow, smooth] = [i / followSteps, k / smoothSteps];
			const [followPerS, smoothS] = [place(0, follow), place(2, smooth)];
			const settleS = feel.settles(followPerS, smoothS);
			const most = widest(follow);
			bands(most, walked).forEach((band, b) => {
				const deadband = place(1, band);
				const missed = feel.missedBy([followPerS, deadband, smoothS, 0], settleS);
				const reference = feel.taken(followPerS, deadband, smoothS);
				naturals.forEach((natural, n) => {
					const there: Worth = [missed, feel.shakeWith(reference, place(3, natural))];
					const valley = `${b} ${2 * n > naturalSteps}`;
					const best = starts.get(valley);
					if (best === undefined || better(there, best.worth))
						starts.set(valley, { shares: [follow, band, smooth, natural], worth: there });
				});
			});
		}
	const { plant, limits, wishes, turnRad } = feel;
	// Looked for in a walk that is a little larger, so that no dead band is parked where single peaks just pass it.
	const larger = feel.walk.map((sine) => ({ ...sine, turnRad: moreOfWalk * (sine.turnRad ?? 0) }));
	const axis = steppedFeel({ ...plant, ...limits }, larger, turnRad);
	const turned = wishes.settleS < Infinity || wishes.overshootRad < Infinity;
	const lookS = wishes.settleS < Infinity ? 1.2 * wishes.settleS + 0.4 : 3;
	const tried = new Map<string, Tried>();
	/** Stepped: what the whole walk and a quick turn really do; a wish of the turn is kept with a little to spare. */
	const step = (shares: Shares): Tried => {
		const key = shares.map((share) => share.toFixed(5)).join(' ');
		const known = tried.get(key);
		if (known !== undefined) return known;
		const point = pointAt(shares);
		// Too slow by the law alone is too slow with limits and a motor.
		const tooSlow = feel.settles(point[0], point[2]) > 1.5 * wishes.settleS ? 1 : 0;
		let missed = tooSlow + feel.missedBy(point, 0) - over(feel.overshoots(point) / wishes.overshootRad);
		let shake = Infinity;
		// What misses by so much is never the one.
		if (missed < hopeless) {
			const turn = turned ? axis.turn(point, lookS) : { settleS: 0, overshootRad: 0 };
			missed += over(turn.settleS / (spare * wishes.settleS)) + over(turn.overshootRad / (spare * wishes.overshootRad));
			if (missed < hopeless) shake = axis.shake(point);
		}
		const found = { shares, worth: [missed, shake] as Worth };
		tried.set(key, found);
		return found;
	};
	const inOrder = (list: readonly Tried[]) => [...list].sort((a, b) => (better(a.worth, b.worth) ? -1 : 1));
	const valleys = inOrder([...starts.values()]).map(({ shares }) => shares);
	for (const shares of valleys.slice(0, 10)) step(shares);
	// Harmonic balance knows no peaks: every follow rate with dead bands up to the widest is stepped too, quick and smooth, stiff and as it thought best.
	const stiffnesses = [stiffest, valleys[0]![3]];
	for (let i = 0; i <= steppedFollows; i += 1)
		for (const part of steppedBands) {
			const follow = i / steppedFollows;
			const wide = widest(follow);
			if (wide <= 0 && part > 0) continue;
			const natural = stiffnesses[(i + Math.round(10 * part)) % 2]!;
			const smooth = steppedSmooths[(i + Math.round(5 * part)) % 3]!;
			step([follow, part * wide, smooth, natural]);
		}
	const [first, second] = apart(inOrder([...tried.values()]));
	if (first !== undefined) downhill(first, 48);
	if (second !== undefined) downhill(second, 28);

	/** By a pattern that halves around the best: the dead band as wide as lag leaves it, or as it is. */
	function downhill(from: Tried, steps: number): void {
		let best = from;
		let left = steps;
		const take = (there: Shares) => {
			left -= 1;
			if (left < 0) return false;
			const value = step(there);
			if (!better(value.worth, best.worth)) return false;
			best = value;
			return true;
		};
		// A reference that stands still leaves the stiffness alone to decide.
		for (const part of [1, 0.75, 0.5, 0.25, 0]) take([best.shares[0], best.shares[1], best.shares[2], part * stiffest]);
		for (let size = 0.12; size > 0.004 && left > 0; size /= 2)
			for (let moved = true, rounds = 0; moved && rounds < 6 && left > 0; rounds += 1) {
				moved = false;
				for (const way of [1, -1]) {
					const at = best.shares;
					const follow = within(at[0] + size * way);
					if (take([follow, Math.min(widest(follow), at[1]), at[2], at[3]])) moved = true;
					if (
						take([
							within(best.shares[0] + size * way),
							widest(within(best.shares[0] + size * way)),
							best.shares[2],
							best.shares[3]
						])
					)
						moved = true;
					if (take([best.shares[0], within(best.shares[1] + size * way), best.shares[2], best.shares[3]])) moved = true;
					if (take([best.shares[0], best.shares[1], within(best.shares[2] + size * way), best.shares[3]])) moved = true;
					if (
						take([
							best.shares[0],
							best.shares[1],
							best.shares[2],
							Math.min(stiffest, within(best.shares[3] + size * way))
						])
					)
						moved = true;
				}
			}
	}

	/** What is claimed is what the response itself says: of the best that were found the first that keeps every wish in it. */
	let best: ReturnType<typeof judgeFeel> | null = null;
	for (const { shares } of inOrder([...tried.values()]).slice(0, judgedAtMost)) {
		const judged = judgeFeel(feel, pointAt(shares));
		if (best === null || judged.missed < best.missed) best = judged;
		if (best.missed > 0) continue;
		// The same with the dead band as wide as lag leaves it: where that shakes no more, it is the one that no single peak passes.
		const [follow, , smooth, natural] = shares;
		const wide = judgeFeel(feel, pointAt([follow, widest(follow), smooth, natural]));
		if (wide.missed === 0 && wide.shakeRad <= best.shakeRad) best = wide;
		break;
	}
	if (best === null) throw new Error('solveFeel: nothing was tried');
	const { missed, shares, ...told } = best;
	return {
		...told,
		feasible: missed === 0,
		binding: (Object.entries(shares) as [FeelLimit, number][])
			.filter(([, share]) => (missed === 0 ? share >= binds : share > 1))
			.map(([limit]) => limit)
	};
}

interface Tried {
	readonly shares: Shares;
	readonly worth: Worth;
}
type Shares = readonly [follow: number, deadband: number, smooth: number, natural: number];
type Worth = readonly [missed: number, shake: number];
const better = (a: Worth, b: Worth) => a[0] < b[0] - 1e-9 || (a[0] <= b[0] + 1e-9 && a[1] < b[1]);
const within = (share: number) => Math.min(1, Math.max(0, share));

const [followSteps, smoothSteps, naturalSteps] = [12, 6, 4];
/** What is stepped beside what harmonic balance finds: so many follow rates, dead bands as parts of the widest. */
const steppedFollows = 9;
const [steppedBands, steppedSmooths] = [[1, 0.8, 0.6, 0.3, 0] as const, [0, 0.4, 0.75] as const];
/** So many of what was found are judged by the response itself, until one keeps every wish. */
const judgedAtMost = 5;
/** The best, and the best of those that lie in another valley. */
function apart(list: readonly Tried[]): readonly (Tried | undefined)[] {
	const [first] = list;
	const other = list.find(
		({ shares }) => first !== undefined && shares.some((share, k) => Math.abs(share - first.shares[k]!) > 0.15)
	);
	return [first, other];
}
/** A wish of the turn is looked for with so much of it, so that the response itself keeps it. */
const spare = 0.985;
const moreOfWalk = 1.04;
const hopeless = 0.35;
/** Dead bands worth a look, as shares of their range: parts of the widest that lag leaves, and just within the walk's own turning. */
const bands = (widest: number, walked: number): number[] => [
	...ofWidest.map((part) => part * widest),
	...ofWalk.map((part) => Math.min(widest, part * walked))
];
const ofWidest = [1, 0.85, 0.7, 0.5, 0.25, 0];
const ofWalk = [1.02, 0.95, 0.85, 0.7, 0.4];
