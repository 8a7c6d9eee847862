import { inverse, Matrix, solve } from 'ml-matrix';
import { checksFor } from '../input';
import { turnTimes } from './turnTimes';

/** A quick turn of the handle at one setting of the gimbal's own scale, timed with a thumb. */
export interface TimedTurn {
	/** What the gimbal's scale said, 0 to 100 or whatever it counts. */
	readonly setting: number;
	/** By how much the handle was turned at once; its sense says nothing. */
	readonly angleRad: number;
	/** From the turn until the camera had made half of its way. */
	readonly halfS: number;
	/** From the turn until it stood: within 2 % of its way, for good. */
	readonly endS: number;
	/** How far short of the handle it stood. */
	readonly restShortRad: number;
}

export type ScaleLaw = 'linear' | 'log';

/** The gimbal's own scale in real units: two settings and what is between them. */
export interface FollowScale {
	readonly law: ScaleLaw;
	readonly least: { readonly setting: number; readonly followPerS: number };
	readonly greatest: { readonly setting: number; readonly followPerS: number };
}

export interface FollowFit {
	readonly scale: FollowScale;
	/** At every setting that was timed, in rising order. */
	readonly at: readonly {
		readonly setting: number;
		readonly followPerS: number;
		/** One standard deviation, as a share. */
		readonly followShareSigma: number;
		readonly deadbandRad: number;
		readonly smoothS: number;
	}[];
	readonly smoothS: number;
	/** One standard deviation, as a share. */
	readonly smoothShareSigma: number;
	/** How far the times are from either law, s, RMS. */
	readonly residualS: Readonly<Record<ScaleLaw, number>>;
	/** What these turns leave open: `law`, `smoothS`, and always the limits of rate and acceleration, which a small turn never meets. */
	readonly cannotTell: readonly ('law' | 'smoothS' | 'maxRateRadPerS' | 'maxAccelRadPerS2')[];
	/** The times fit no such axis: something else held it back, such as its greatest rate. */
	readonly doubtful: boolean;
}

/** A thumb's error, s, and what smoothing is before anybody timed it: within a factor of about three of this. */
const thumbS = 0.05;
const usualSmoothS = 0.09;
const smoothSpread = 1.1;
/** The laws are told apart when one fits better by this much of chi-square. */
const toldBy = 3;
const mostTests = 200;

/**
 * The follow rate at a setting of a scale, 1/s. Beyond its ends the law goes on, never below a hundredth of its least. Throws
 * `PhysicsInputError` for a rate not above 0, or ends at one setting.
 *
 * @example
 * followAt({ scale: { law: 'log', least: { setting: 0, followPerS: 1 }, greatest: { setting: 100, followPerS: 9 } }, setting: 50 }).followPerS; // 3
 */
export function followAt(input: { readonly scale: FollowScale; readonly setting: number }): {
	readonly followPerS: number;
} {
	const check = checksFor('followAt');
	const { law, least, greatest } = input.scale;
	const setting = check.number('setting', input.setting);
	const [from, to] = [
		check.number('scale.least.setting', least.setting),
		check.number('scale.greatest.setting', greatest.setting)
	];
	const [low, high] = [
		check.positive('scale.least.followPerS', least.followPerS),
		check.positive('scale.greatest.followPerS', greatest.followPerS)
	];
	if (from === to) check.fail('scale.greatest.setting', 'must not be the least setting', to);
	const share = (setting - from) / (to - from);
	const followPerS = law === 'linear' ? low + (high - low) * share : low ** (1 - share) * high ** share;
	return { followPerS: Math.max(Math.min(low, high) / 100, followPerS) };
}

/**
 * The follow settings behind a gimbal's own scale, from timed quick turns at two or more of its settings.
 *
 * A small quick turn meets no limit, so the reference is the answer of `smooth·r'' + r' + follow·(r − target) = 0`: the time
 * to half of the way and the time to rest ({@link turnTimes}) depend on the two alone. Smoothing is one figure for the
 * gimbal; the follow rate goes along its scale by either law between its ends. Three unknowns, fitted to all times by
 * Gauss–Newton with a step that shrinks until it helps, the smoothing held loosely to what is usual; the better law is
 * taken. The dead band is how far short the camera rests.
 *
 * Throws `PhysicsInputError` for times that are not above 0 or a half after its end, an angle of 0, turns at fewer than two
 * settings, or a camera that rests short of more than its turn.
 *
 * @example
 * fitFollow({ tests: [{ setting: 20, angleRad: 0.5, halfS: 0.78, endS: 3.9, restShortRad: 0.05 }, { setting: 80, angleRad: 0.5, halfS: 0.26, endS: 1.0, restShortRad: 0.05 }] }).at.length; // 2
 */
export function fitFollow(input: { readonly tests: readonly TimedTurn[] }): FollowFit {
	const check = checksFor('fitFollow');
	const tests = check.list('tests', input.tests);
	if (tests.length > mostTests) check.fail('tests', `must be at most ${mostTests}`, tests.length);
	tests.forEach(({ setting, angleRad, halfS, endS, restShortRad }, k) => {
		check.number(`tests[${k}].setting`, setting);
		if (check.number(`tests[${k}].angleRad`, angleRad) === 0)
			check.fail(`tests[${k}].angleRad`, 'must not be 0', angleRad);
		check.positive(`tests[${k}].halfS`, halfS);
		if (!(check.positive(`tests[${k}].endS`, endS) > halfS))
			check.fail(`tests[${k}].endS`, 'must be after halfS', endS);
		if (check.atLeastZero(`tests[${k}].restShortRad`, restShortRad) >= Math.abs(angleRad))
			check.fail(`tests[${k}].restShortRad`, 'must be less than the turn', restShortRad);
	});
	const settings = [...new Set(tests.map(({ setting }) => setting))].sort((a, b) => a - b);
	if (settings.length < 2) check.fail('tests', 'must be at two settings or more', settings.length);
	const [least, greatest] = [settings[0]!, settings[settings.length - 1]!];

	const fits = (['linear', 'log'] as const).map((law) => ({ law, ...fitted(tests, law, least, greatest) }));
	const [linear, log] = fits as [(typeof fits)[0], (typeof fits)[0]];
	const best = linear.chiSquare <= log.chiSquare ? linear : log;
	const scale: FollowScale = {
		law: best.law,
		least: { setting: least, followPerS: Math.exp(best.at[0]) },
		greatest: { setting: greatest, followPerS: Math.exp(best.at[1]) }
	};
	const smoothS = Math.exp(best.at[2]);
	const smoothShareSigma = Math.sqrt(best.covariance.get(2, 2));
	const lawTold = settings.length > 2 && Math.abs(linear.chiSquare - log.chiSquare) >= toldBy;
	return {
		scale,
		at: settings.map((setting) => {
			const share = (setting - least) / (greatest - least);
			const way = [1 - share, share, 0];
			const spread = Matrix.columnVector(way);
			const here = tests.filter((test) => test.setting === setting);
			return {
				setting,
				...followAt({ scale, setting }),
				followShareSigma: Math.sqrt(spread.transpose().mmul(best.covariance).mmul(spread).get(0, 0)),
				deadbandRad: here.reduce((sum, { restShortRad }) => sum + restShortRad, 0) / here.length,
				smoothS
			};
		}),
		smoothS,
		smoothShareSigma,
		residualS: { linear: linear.residualS, log: log.residualS },
		cannotTell: [
			...(lawTold ? [] : (['law'] as const)),
			...(smoothShareSigma > 0.5 ? (['smoothS'] as const) : []),
			'maxRateRadPerS',
			'maxAccelRadPerS2'
		],
		doubtful: best.residualS > 3 * thumbS
	};
}

type Three = readonly [number, number, number];

/** The three logarithms that fit best under one law: follow rate at either end, smoothing. */
function fitted(tests: readonly TimedTurn[], law: ScaleLaw, least: number, greatest: number) {
	const missed = ([low, high, smooth]: Three): number[] => [
		...tests.flatMap(({ setting, halfS, endS }) => {
			const share = (setting - least) / (greatest - least);
			const follow =
				law === 'log' ? Math.exp(low + (high - low) * share) : Math.exp(low) + (Math.exp(high) - Math.exp(low)) * share;
			const told = turnTimes(follow, Math.exp(smooth));
			return [(told.halfS - halfS) / thumbS, (told.endS - endS) / thumbS];
		}),
		(smooth - Math.log(usualSmoothS)) / smoothSpread
	];
	const square = (list: readonly number[]) => list.reduce((sum, each) => sum + each * each, 0);
	const slopes = (at: Three, now: readonly number[]) => {
		const step = 1e-4;
		const columns = [0, 1, 2].map((k) => {
			const moved = at.map((value, each) => (each === k ? value + step : value)) as unknown as Three;
			return missed(moved).map((value, row) => (value - now[row]!) / step);
		});
		return new Matrix(columns).transpose();
	};
	const guess = (setting: number) => {
		const here = tests.filter((test) => test.setting === setting);
		const endS = here.reduce((sum, test) => sum + test.endS, 0) / here.length;
		return Math.log(3.9 / endS);
	};

	let best: { at: Three; cost: number } | null = null;
	// Ringing and not ringing give alike times: either side is tried.
	for (const smoothS of [0.03, 0.09, 0.3]) {
		let at: Three = [guess(least), guess(greatest), Math.log(smoothS)];
		let now = missed(at);
		let cost = square(now);
		let shrink = 1e-3;
		for (let round = 0; round < 60 && shrink < 1e8; round += 1) {
			const slope = slopes(at, now);
			const normal = slope.transpose().mmul(slope);
			for (let k = 0; k < 3; k += 1) normal.set(k, k, normal.get(k, k) * (1 + shrink) + 1e-12);
			const move = solve(normal, slope.transpose().mmul(Matrix.columnVector(now)));
			const next = at.map((value, k) => Math.max(-7, Math.min(5, value - move.get(k, 0)))) as unknown as Three;
			const there = missed(next);
			const costThere = square(there);
			if (costThere < cost) {
				const gained = cost - costThere;
				[at, now, cost] = [next, there, costThere];
				shrink /= 4;
				if (gained < 1e-9 * (1 + cost)) break;
			} else shrink *= 6;
		}
		if (best === null || cost < best.cost) best = { at, cost };
	}
	const { at } = best!;
	const now = missed(at);
	const slope = slopes(at, now);
	const times = now.slice(0, -1);
	const normal = slope.transpose().mmul(slope);
	for (let k = 0; k < 3; k += 1) normal.set(k, k, normal.get(k, k) + 1e-9);
	return {
		at,
		chiSquare: square(now),
		residualS: thumbS * Math.sqrt(square(times) / times.length),
		covariance: inverse(normal)
	};
}
