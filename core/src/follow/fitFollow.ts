import { checksFor } from '../input';
import { beginFollow } from './beginFollow';
import type { ScaleLaw, TimedTurn } from './timedTurn';
import { type FollowAnswer, followOf, followPosterior, type SameTurns, timesMissed, usualOf } from './followPosterior';

/** The gimbal's own scale in real units: two settings and what is between them. */
export interface FollowScale {
	readonly law: ScaleLaw;
	readonly least: { readonly setting: number; readonly followPerS: number };
	readonly greatest: { readonly setting: number; readonly followPerS: number };
}

type FollowUntold = 'law' | 'smoothS' | 'deadbandRad' | 'maxRateRadPerS' | 'maxAccelRadPerS2';

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
	/** A figure of the dead band's own scale, or the dead band itself where no figures were given. */
	readonly deadbandPerFigureRad: number;
	/** One standard deviation, as a share. */
	readonly deadbandShareSigma: number;
	readonly smoothS: number;
	/** One standard deviation, as a share. */
	readonly smoothShareSigma: number;
	/** As the turns tell them; where they cannot (`cannotTell`) what is usual. */
	readonly maxRateRadPerS: number;
	readonly maxAccelRadPerS2: number;
	/** How far the times are from either law, s, RMS. */
	readonly residualS: Readonly<Record<ScaleLaw, number>>;
	/** What these turns leave open: the law, the smoothing, the dead band, the greatest rate, the greatest acceleration. */
	readonly cannotTell: readonly FollowUntold[];
	/** The times fit no such axis: something else held it back, such as its greatest rate. */
	readonly doubtful: boolean;
}

/** A thumb's error at the most, s. */
const thumbS = 0.05;
/** A law is told when so large a part of all answers go by it. */
const lawTold = 0.82;
/** What is looser than this, as a share, these turns do not tell. */
const loose = { smoothS: 0.5, deadbandRad: 0.5, maxRateRadPerS: 0.35, maxAccelRadPerS2: 0.5 } as const;
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
 * The stepped law itself is fitted, with its dead band, which may ring and let the camera coast past its edge, and its greatest rate and
 * acceleration, which may hold it ({@link turnStepped}). Unknown are the follow rate at either end of what was timed (between them by either law),
 * one smoothing, one greatest rate, one greatest acceleration, one dead band (in proportion to its figures, where they are given). Of all answers
 * that fit ({@link followPosterior}) the middle one is given, of the likelier law; a σ is half of what holds the middle 68 of 100, over both laws.
 * What is looser than it is useful is named in `cannotTell`, and then is no more than what is usual.
 *
 * Throws `PhysicsInputError` for times that are not above 0 or a half after its end, an angle of 0, turns at fewer than two
 * settings, a camera that rests short of more than its turn, or a dead band's figure below 0.
 *
 * @example
 * fitFollow({ tests: [{ setting: 20, angleRad: 0.5, halfS: 0.78, endS: 3.9, restShortRad: 0.05 }, { setting: 80, angleRad: 0.5, halfS: 0.26, endS: 1.0, restShortRad: 0.05 }] }).at.length; // 2
 */
export function fitFollow(input: { readonly tests: readonly TimedTurn[] }): FollowFit {
	const check = checksFor('fitFollow');
	const tests = check.list('tests', input.tests);
	if (tests.length > mostTests) check.fail('tests', `must be at most ${mostTests}`, tests.length);
	tests.forEach(({ setting, angleRad, halfS, endS, restShortRad, deadbandFigure }, k) => {
		check.number(`tests[${k}].setting`, setting);
		if (check.number(`tests[${k}].angleRad`, angleRad) === 0)
			check.fail(`tests[${k}].angleRad`, 'must not be 0', angleRad);
		check.positive(`tests[${k}].halfS`, halfS);
		if (!(check.positive(`tests[${k}].endS`, endS) > halfS))
			check.fail(`tests[${k}].endS`, 'must be after halfS', endS);
		if (check.atLeastZero(`tests[${k}].restShortRad`, restShortRad) >= Math.abs(angleRad))
			check.fail(`tests[${k}].restShortRad`, 'must be less than the turn', restShortRad);
		if (deadbandFigure !== undefined) check.atLeastZero(`tests[${k}].deadbandFigure`, deadbandFigure);
	});
	const settings = [...new Set(tests.map(({ setting }) => setting))].sort((a, b) => a - b);
	if (settings.length < 2) check.fail('tests', 'must be at two settings or more', settings.length);
	const [least, greatest] = [settings[0]!, settings[settings.length - 1]!];
	const shareOf = (setting: number) => (setting - least) / (greatest - least);

	const figures = tests.map(({ deadbandFigure }) => deadbandFigure ?? 1).filter((figure) => figure > 0);
	const meanFigure = figures.length === 0 ? 1 : figures.reduce((sum, each) => sum + each, 0) / figures.length;
	const turns = sameTurns(tests, meanFigure, shareOf);
	const begun = beginFollow(tests, least, greatest);
	const answers = followPosterior(turns, usualOf(begun[0], begun[1], usualBand));
	const byLaw = { linear: answers.filter(isBy('linear')), log: answers.filter(isBy('log')) };
	const law: ScaleLaw = byLaw.linear.length > byLaw.log.length ? 'linear' : 'log';
	const among = (of: (answer: FollowAnswer) => number, these = answers) => spreadOf(these.map(of));
	const scale: FollowScale = {
		law,
		least: { setting: least, followPerS: Math.exp(among(({ at }) => at[0], byLaw[law]).middle) },
		greatest: { setting: greatest, followPerS: Math.exp(among(({ at }) => at[1], byLaw[law]).middle) }
	};
	const [smooth, rate, accel, band] = [2, 3, 4, 5].map((k) => among(({ at }) => at[k]!)) as [
		...[Spread, Spread, Spread, Spread]
	];
	const smoothS = Math.exp(smooth.middle);
	const bandRad = Math.exp(band.middle);
	const nearest = (these: readonly FollowAnswer[]) => Math.min(...these.map((each) => timesMissed(turns, each)));
	// A law by which no answer is left is as far off as its likeliest kin.
	const residualS = { linear: nearest(byLaw.linear), log: nearest(byLaw.log) };
	return {
		scale,
		at: settings.map((setting) => {
			const here = tests.filter((test) => test.setting === setting);
			const timesBand = here.reduce((sum, each) => sum + (each.deadbandFigure ?? 1), 0) / here.length / meanFigure;
			return {
				setting,
				...followAt({ scale, setting }),
				followShareSigma: among(({ law: by, at }) => Math.log(followOf(by, at[0], at[1], shareOf(setting)))).sigma,
				deadbandRad: bandRad * timesBand,
				smoothS
			};
		}),
		deadbandPerFigureRad: bandRad / meanFigure,
		deadbandShareSigma: band.sigma,
		smoothS,
		smoothShareSigma: smooth.sigma,
		maxRateRadPerS: Math.exp(rate.middle),
		maxAccelRadPerS2: Math.exp(accel.middle),
		residualS,
		cannotTell: [
			...(settings.length > 2 && byLaw[law].length >= lawTold * answers.length ? [] : (['law'] as const)),
			...(smooth.wide > loose.smoothS ? (['smoothS'] as const) : []),
			...(band.wide > loose.deadbandRad ? (['deadbandRad'] as const) : []),
			...(rate.wide > loose.maxRateRadPerS ? (['maxRateRadPerS'] as const) : []),
			...(accel.wide > loose.maxAccelRadPerS2 ? (['maxAccelRadPerS2'] as const) : [])
		],
		doubtful: residualS[law] > 3 * thumbS
	};
}

/** The same turn at the same setting with the same dead band. */
function sameTurns(
	tests: readonly TimedTurn[],
	meanFigure: number,
	shareOf: (setting: number) => number
): readonly SameTurns[] {
	const groups = new Map<string, TimedTurn[]>();
	for (const test of tests) {
		const key = [test.setting, Math.abs(test.angleRad), test.deadbandFigure ?? 1].join(' ');
		groups.set(key, [...(groups.get(key) ?? []), test]);
	}
	return [...groups.values()].map((timed) => ({
		share: shareOf(timed[0]!.setting),
		angleRad: Math.abs(timed[0]!.angleRad),
		bandTimes: (timed[0]!.deadbandFigure ?? 1) / meanFigure,
		timed
	}));
}

const isBy =
	(law: ScaleLaw) =>
	(answer: FollowAnswer): boolean =>
		answer.law === law;
interface Spread {
	readonly middle: number;
	/** Half of what holds the middle 68 of 100. */
	readonly sigma: number;
	/** As one standard deviation, by the middle 90 of 100, where that is more. */
	readonly wide: number;
}
function spreadOf(list: readonly number[]): Spread {
	const sorted = [...list].sort((a, b) => a - b);
	const at = (part: number) => sorted[Math.min(sorted.length - 1, Math.floor(part * sorted.length))]!;
	const sigma = (at(0.84) - at(0.16)) / 2;
	return { middle: at(0.5), sigma, wide: Math.max(sigma, (at(0.95) - at(0.05)) / 2 / 1.645) };
}
const usualBand = Math.log(0.04);
