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
 * ({@link stiffestNatural}). Looked for on a coarse grid of the ranges, the dead band as wide as the wish for lag leaves it, then by a
 * pattern that halves around the best, in turns with the stiffness and from both of its ends.
 *
 * Where no point of the ranges meets every wish, the one that misses them least, as shares, is given with `feasible`
 * false and what it misses in `binding`. Throws `PhysicsInputError` for ranges upside down or not above 0, a walk without
 * sines, or wishes that are not above 0.
 *
 * Where the walk hardly leaves the dead band the shake has small valleys side by side, and the least of them may be missed:
 * of 100 seeded gimbals a grid of twenty steps finds less by more than 2 % in three, all of them under 0.11° of shake.
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
	const worth = (point: FeelPoint): readonly [missed: number, shake: number] => {
		const told = feel.at(point);
		return [told.missed, told.shakeRad];
	};
	const better = (a: readonly [number, number], b: readonly [number, number]) =>
		a[0] < b[0] - 1e-9 || (a[0] <= b[0] + 1e-9 && a[1] < b[1]);

	const pointAt = (shares: readonly number[]) => shares.map((share, k) => place(k, share)) as unknown as FeelPoint;
	type Shares = [number, number, number, number];
	/** A dead band as a share of its range. */
	const bandShare = (band: number) => {
		const [low, high] = ranges[1]!;
		const within = Math.min(high, Math.max(low, band));
		if (high === low) return 0;
		return logs[1]! ? Math.log(within / low) / Math.log(high / low) : (within - low) / (high - low);
	};
	/** The widest that the wish for lag leaves at a follow rate. */
	const widest = (followShare: number) => bandShare(feel.widestDeadbandRad(place(0, followShare)));
	/** As wide as the walk turns the handle, as a share of the range. */
	const walked = bandShare(feel.walkRad);
	const within = (share: number) => Math.min(1, Math.max(0, share));

	/** Follow rate, dead band and smoothing for one stiffness: a wider band shakes less, so the wish for lag says how wide. */
	function forNatural(natural: number, start: Shares | null): Shares {
		const starts: Shares[] = [];
		if (start !== null) starts.push([start[0], start[1], start[2], natural]);
		else
			// Each band's best is followed: just within the walk's own turning lies a valley that is easily stepped across.
			for (const band of [
				...ofWidest.map((part) => (follow: number) => part * widest(follow)),
				...ofWalk.map((part) => (follow: number) => Math.min(widest(follow), part * walked))
			]) {
				let best: Shares = [0, band(0), 1, natural];
				let value = worth(pointAt(best));
				for (let i = 0; i <= followSteps; i += 1)
					for (let k = 0; k <= smoothSteps; k += 1) {
						const follow = i / followSteps;
						const there: Shares = [follow, band(follow), k / smoothSteps, natural];
						const worthThere = worth(pointAt(there));
						if (better(worthThere, value)) [best, value] = [there, worthThere];
					}
				starts.push(best);
			}
		const coarse = starts.map((from) => downhill(from, 1 / smoothSteps, 0.02));
		return downhill(coarse.reduce(bestOf), 0.03, 2e-5);
	}
	function downhill(from: Shares, firstSize: number, lastSize: number): Shares {
		let at = from;
		let best = worth(pointAt(at));
		const take = (follow: number, band: number, smooth: number) => {
			const there: Shares = [follow, band, smooth, at[3]];
			const value = worth(pointAt(there));
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
					if (take(follow, widest(follow), smooth) || take(follow, at[1], smooth)) moved = true;
				}
				for (const db of [1, -1]) if (take(at[0], within(at[1] + size * db), at[2])) moved = true;
			}
		return at;
	}
	function bestOf(one: Shares, other: Shares): Shares {
		return better(worth(pointAt(other)), worth(pointAt(one))) ? other : one;
	}
	/** The stiffness for the rest as it is. */
	function stiffnessFor(at: Shares): Shares {
		let best = at;
		const take = (natural: number) => {
			const there: Shares = [at[0], at[1], at[2], within(natural)];
			if (better(worth(pointAt(there)), worth(pointAt(best)))) best = there;
		};
		for (let k = 0; k <= naturalSteps; k += 1) take(k / naturalSteps);
		for (let size = 1 / naturalSteps; size > 1e-5; size /= 2) for (const way of [1, -1]) take(best[3] + size * way);
		return best;
	}
	/** Soft and stiff are two valleys: from either end each is found in turn. */
	const found = [0, 1].map((natural) => {
		let at = stiffnessFor(forNatural(natural, null));
		for (let turn = 0; turn < 2; turn += 1) at = stiffnessFor(forNatural(at[3], at));
		return at;
	});
	const at = found.reduce(bestOf);
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

const [followSteps, smoothSteps, naturalSteps] = [20, 9, 40];
const ofWidest = [1, 0.75, 0.5, 0.25];
const ofWalk = [0.95, 0.7, 0.4];
/** Eight ways on from a point of two settings. */
const around: readonly (readonly [number, number])[] = [-1, 0, 1].flatMap((one) =>
	[-1, 0, 1].filter((two) => one !== 0 || two !== 0).map((two) => [one, two] as const)
);
