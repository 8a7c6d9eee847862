import { type FeelLimit, type FeelPoint, readFeel, type SolveFeelInput } from './feelAt';

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
const binds = 0.985;

/**
 * The follow settings and the stiffness of least shake in a walk, subject to wishes.
 *
 * Shake is the RMS of the camera's angle: what moving the handle does to a centre off its axis, and what the reference
 * takes over of the handle's turning. The reference's part is by harmonic balance: the follow law beyond its dead band is
 * taken as a gain, the same for every sine, that of a sine as large as the error's RMS says. Lag is `deadband + pan/follow`,
 * settle and overshoot those of the law that nothing limits ({@link turnTimes}), stiffness is kept to its margin
 * ({@link stiffestNatural}). Looked for on a coarse grid that takes the dead band as wide as the wish for lag leaves it, or just
 * within what the walk turns; the best of every dead band and of soft and stiff are followed by a pattern that halves around them.
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
	const worth = (shares: Shares): Worth => {
		const point = pointAt(shares);
		const [follow, deadband, smooth, natural] = point;
		return [
			feel.missedBy(point, feel.settles(follow, smooth)),
			feel.shakeWith(feel.taken(follow, deadband, smooth), natural)
		];
	};
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
	const inOrder = (list: readonly { shares: Shares; worth: Worth }[]) =>
		[...list].sort((a, b) => (better(a.worth, b.worth) ? -1 : 1));
	const coarse = inOrder([...starts.values()])
		.slice(0, followed)
		.map((start) => downhill(start, 1 / smoothSteps, 0.01));
	const fine = inOrder(coarse)
		.slice(0, 3)
		.map((start) => downhill(start, 0.02, 2e-5));
	const at = inOrder(fine)[0]!.shares;

	/** By a pattern that halves around the best: two settings at a time, the dead band as wide as lag leaves it or as it is. */
	function downhill(from: { shares: Shares; worth: Worth }, firstSize: number, lastSize: number) {
		let { shares: at, worth: best } = from;
		const take = (there: Shares) => {
			const value = worth(there);
			if (!better(value, best)) return false;
			[at, best] = [there, value];
			return true;
		};
		for (let size = firstSize; size > lastSize; size /= 2)
			for (let moved = true, rounds = 0; moved && rounds < 30; rounds += 1) {
				moved = false;
				for (const [df, ds] of around) {
					const follow = within(at[0] + size * df);
					const smooth = within(at[2] + size * ds);
					if (take([follow, widest(follow), smooth, at[3]]) || take([follow, at[1], smooth, at[3]])) moved = true;
				}
				for (const way of [1, -1]) {
					if (take([at[0], within(at[1] + size * way), at[2], at[3]])) moved = true;
					if (take([at[0], at[1], at[2], Math.min(stiffest, within(at[3] + size * way))])) moved = true;
				}
			}
		return { shares: at, worth: best };
	}
	const point = pointAt(at);
	const { missed, limits, ...told } = feel.at(point);
	const [followPerS, deadbandRad, smoothS, naturalRadPerS] = point;
	return {
		followPerS,
		deadbandRad,
		smoothS,
		naturalRadPerS,
		...told,
		feasible: missed === 0,
		binding: (Object.entries(limits) as [FeelLimit, number][])
			.filter(([, share]) => (missed === 0 ? share >= binds : share > 1))
			.map(([limit]) => limit)
	};
}

type Shares = readonly [follow: number, deadband: number, smooth: number, natural: number];
type Worth = readonly [missed: number, shake: number];
const better = (a: Worth, b: Worth) => a[0] < b[0] - 1e-9 || (a[0] <= b[0] + 1e-9 && a[1] < b[1]);
const within = (share: number) => Math.min(1, Math.max(0, share));

const [followSteps, smoothSteps, naturalSteps] = [20, 10, 8];
/** So many of the valleys are gone down into. */
const followed = 8;
/** Dead bands worth a look, as shares of their range: parts of the widest that lag leaves, and just within the walk's own turning. */
const bands = (widest: number, walked: number): number[] => [
	...ofWidest.map((part) => part * widest),
	...ofWalk.map((part) => Math.min(widest, part * walked))
];
const ofWidest = [1, 0.85, 0.7, 0.5, 0.25, 0];
const ofWalk = [1.02, 0.95, 0.85, 0.7, 0.4];
/** Eight ways on from a point of two settings. */
const around: readonly (readonly [number, number])[] = [-1, 0, 1].flatMap((one) =>
	[-1, 0, 1].filter((two) => one !== 0 || two !== 0).map((two) => [one, two] as const)
);
