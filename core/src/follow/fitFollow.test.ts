import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fitFollow, followAt, followResponse, type ScaleLaw, seededRandom, type TimedTurn } from '../index';
import { turnStepped } from './turnStepped';
import { turnTimes } from './turnTimes';

const number = (min: number, max: number) => fc.double({ min, max, noNaN: true });

describe('when a quick turn is half done and done', () => {
	it('is what the stepped response says, ringing or not', () => {
		fc.assert(
			fc.property(number(0.8, 9), number(0.02, 0.4), (followPerS, smoothS) => {
				const atS = Array.from({ length: 9001 }, (_, k) => k * 0.001);
				const { referenceRad, settleS } = followResponse({
					settings: { followPerS, smoothS, deadbandRad: 0, maxRateRadPerS: 1e3, maxAccelRadPerS2: 1e6 },
					handle: { kind: 'step', angleRad: 0.5, atS: 0 },
					endS: 30,
					atS
				});
				const half = atS[referenceRad.findIndex((angle) => angle >= 0.25)]!;
				const told = turnTimes(followPerS, smoothS);
				expect(Math.abs(told.halfS - half)).toBeLessThan(0.003);
				// An extreme that just touches the band is in for one and out for the other.
				const touches = [1, 2, 3, 4].some((n) => {
					const turn = (4 * followPerS * smoothS - 1) ** -0.5 * Math.PI;
					return Math.abs(Math.exp(-n * turn) - 0.02) < 4e-4;
				});
				if (!touches) expect(Math.abs(told.endS - settleS!)).toBeLessThan(0.004);
			}),
			{ numRuns: 25 }
		);
	});
});

/** A gimbal whose figures nobody knows, held by its limits or not, and a thumb that is off by up to 0.05 s. */
function hidden(seed: number, limited: boolean) {
	const random = seededRandom(seed);
	const between = (low: number, high: number) => low + random() * (high - low);
	const logBetween = (low: number, high: number) => low * (high / low) ** random();
	const law: ScaleLaw = random() < 0.5 ? 'linear' : 'log';
	const scale = {
		law,
		least: { setting: 10, followPerS: between(0.7, 1.4) },
		greatest: { setting: 90, followPerS: between(4, 8) }
	};
	const smoothS = limited ? logBetween(0.02, 0.3) : between(0.02, 0.23 / scale.greatest.followPerS);
	const deadbandRad = between(0.01, 0.09);
	const [maxRateRadPerS, maxAccelRadPerS2] = limited ? [logBetween(1, 9), logBetween(10, 400)] : [9, 400];
	const tests = [10, 50, 90].flatMap((setting): TimedTurn[] => {
		const { followPerS } = followAt({ scale, setting });
		const angleRad = random() < 0.5 ? 0.6 : -0.6;
		const atS = Array.from({ length: 8001 }, (_, k) => k * 0.001);
		const { cameraRad, settleS, restRad } = followResponse({
			settings: { followPerS, smoothS, deadbandRad, maxRateRadPerS, maxAccelRadPerS2 },
			handle: { kind: 'step', angleRad, atS: 0 },
			endS: 20,
			atS
		});
		const half = atS[cameraRad.findIndex((angle) => Math.abs(angle) >= Math.abs(restRad) / 2)]!;
		return [0, 1].map(() => ({
			setting,
			angleRad,
			halfS: Math.max(0.01, half + between(-0.05, 0.05)),
			endS: settleS! + between(-0.05, 0.05),
			restShortRad: Math.abs(angleRad - restRad) * between(0.93, 1.07)
		}));
	});
	return { law, scale, smoothS, deadbandRad, tests };
}
/** All of them with `./poise test --long`, else enough to see it. */
const all = process.env['POISE_LONG'] === '1';
const share = (list: number[], part: number) => list.sort((a, b) => a - b)[Math.floor(part * (list.length - 1))]!;

describe('a gimbal’s own scale, from timed turns', () => {
	it('finds follow rate and dead band of hidden gimbals within a tenth at the median, and mostly the law', () => {
		const [follow, band]: [number[], number[]] = [[], []];
		const gimbals = all ? 200 : 12;
		let laws = 0;
		for (let seed = 1; seed <= gimbals; seed += 1) {
			const truth = hidden(seed, false);
			const { at, scale, doubtful } = fitFollow({ tests: truth.tests });
			expect(doubtful).toBe(false);
			if (scale.law === truth.law) laws += 1;
			for (const each of at) {
				const real = followAt({ scale: truth.scale, setting: each.setting }).followPerS;
				follow.push(Math.abs(each.followPerS / real - 1));
				band.push(Math.abs(each.deadbandRad / truth.deadbandRad - 1));
			}
		}
		expect([share(follow, 0.5) < 0.1, share(follow, 0.95) < 0.25]).toEqual([true, true]);
		expect([share(band, 0.5) < 0.1, share(band, 0.95) < 0.25]).toEqual([true, true]);
		expect(laws).toBeGreaterThanOrEqual(0.85 * gimbals);
	}, 900_000);
	it('where a dead band rings and limits hold it, one σ holds the truth in 68 of 100, and what is told is near', () => {
		const gimbals = all ? 500 : 18;
		const holds = { follow: [] as number[], smooth: [] as number[], band: [] as number[] };
		const [follow, told]: [number[], number[]] = [[], []];
		const within = (got: number, real: number, sigma: number) => (Math.abs(Math.log(got / real)) <= sigma ? 1 : 0);
		for (let seed = 1; seed <= gimbals; seed += 1) {
			const truth = hidden(seed, true);
			const fit = fitFollow({ tests: truth.tests });
			for (const { setting, followPerS, followShareSigma } of fit.at) {
				const real = followAt({ scale: truth.scale, setting }).followPerS;
				holds.follow.push(within(followPerS, real, followShareSigma));
				follow.push(Math.abs(followPerS / real - 1));
			}
			holds.smooth.push(within(fit.smoothS, truth.smoothS, fit.smoothShareSigma));
			holds.band.push(within(fit.deadbandPerFigureRad, truth.deadbandRad, fit.deadbandShareSigma));
			if (!fit.cannotTell.includes('law')) told.push(fit.scale.law === truth.law ? 1 : 0);
		}
		const mean = (list: readonly number[]) => list.reduce((sum, each) => sum + each, 0) / list.length;
		const [least, most] = all ? [0.63, 0.73] : [0.48, 0.88];
		expect(mean(holds.follow)).toBeGreaterThan(least);
		expect(mean(holds.follow)).toBeLessThan(most);
		expect(mean(holds.smooth)).toBeGreaterThan(least - 0.06);
		expect(mean(holds.smooth)).toBeLessThan(most + 0.06);
		// An eye is taken to be a little worse than this one is.
		expect(mean(holds.band)).toBeGreaterThan(least);
		// Before the stepped law was fitted: 4 and 46 of 100 off, and one σ held the truth in 32.
		expect(share(follow, 0.5)).toBeLessThan(0.03);
		expect(share(follow, 0.95)).toBeLessThan(0.4);
		expect(mean(told)).toBeGreaterThan(0.85);
	}, 900_000);
	it('gives back the times of a gimbal that is timed exactly, to a few per cent', () => {
		const scale = {
			law: 'log',
			least: { setting: 0, followPerS: 1 },
			greatest: { setting: 100, followPerS: 7 }
		} as const;
		const tests = [0, 25, 60, 100].map((setting) => ({
			setting,
			angleRad: 0.5,
			restShortRad: 0.03,
			...turnTimes(followAt({ scale, setting }).followPerS, 0.03)
		}));
		const fit = fitFollow({ tests });
		expect(fit.scale.law).toBe('log');
		fit.at.forEach(({ setting, followPerS, deadbandRad }) => {
			// What is usual draws it a little.
			expect(Math.abs(followPerS / followAt({ scale, setting }).followPerS - 1)).toBeLessThan(0.06);
			expect(Math.abs(deadbandRad / 0.03 - 1)).toBeLessThan(0.05);
		});
		expect(fit.cannotTell).not.toContain('law');
		expect(fit.cannotTell).toContain('maxRateRadPerS');
		expect(fitFollow({ tests })).toEqual(fit);
	});
	it('takes dead bands of several figures as one in proportion to them, none at 0', () => {
		const law = { smoothS: 0.05, maxRateRadPerS: 9, maxAccelRadPerS2: 400 };
		const timed = (setting: number, followPerS: number, deadbandFigure: number): TimedTurn => ({
			setting,
			angleRad: 0.6,
			deadbandFigure,
			...turnStepped({ ...law, followPerS, deadbandRad: Math.max(1e-5, 0.004 * deadbandFigure) }, 0.6)
		});
		const fit = fitFollow({ tests: [timed(10, 1, 10), timed(50, 2.5, 0), timed(90, 6, 20), timed(90, 6, 5)] });
		expect(Math.abs(fit.deadbandPerFigureRad / 0.004 - 1)).toBeLessThan(0.05);
		expect(fit.at.map(({ deadbandRad }) => Math.round(deadbandRad * 1000))).toEqual([40, 0, 50]);
	});
	it('tells its greatest rate where it is held by it, and says that it cannot where it is not', () => {
		const timed = (setting: number, angleRad: number, maxRateRadPerS: number): TimedTurn => {
			const followPerS = 1 * 6 ** ((setting - 10) / 80);
			const law = { smoothS: 0.04, maxAccelRadPerS2: 100, deadbandRad: 0.03 };
			return { setting, angleRad, ...turnStepped({ ...law, followPerS, maxRateRadPerS }, angleRad) };
		};
		const both = (rate: number) =>
			[10, 50, 90].flatMap((setting) => [0.4, 1.2].map((angleRad) => timed(setting, angleRad, rate)));
		const held = fitFollow({ tests: both(1) });
		expect(held.cannotTell).not.toContain('maxRateRadPerS');
		expect(Math.abs(held.maxRateRadPerS - 1)).toBeLessThan(0.1);
		expect(fitFollow({ tests: both(20) }).cannotTell).toContain('maxRateRadPerS');
	});
	it('says that two settings cannot tell the law, and what no such axis does is doubtful', () => {
		const turn = (setting: number, halfS: number, endS: number): TimedTurn => ({
			setting,
			angleRad: 0.5,
			halfS,
			endS,
			restShortRad: 0.04
		});
		expect(fitFollow({ tests: [turn(20, 0.78, 3.9), turn(80, 0.26, 1)] }).cannotTell).toContain('law');
		// Held back by its greatest rate: half of the way takes half of the time.
		expect(fitFollow({ tests: [turn(20, 2, 4), turn(80, 1, 2.1)] }).doubtful).toBe(true);
	});
	it('goes on beyond its ends without ever standing still, and refuses what is no test, at the field', () => {
		const scale = {
			law: 'linear',
			least: { setting: 20, followPerS: 1 },
			greatest: { setting: 80, followPerS: 7 }
		} as const;
		expect(followAt({ scale, setting: 50 }).followPerS).toBe(4);
		expect(followAt({ scale, setting: 0 }).followPerS).toBe(0.01);
		const good: TimedTurn = { setting: 20, angleRad: 0.5, halfS: 0.5, endS: 2, restShortRad: 0.05 };
		const refused = (change: Partial<TimedTurn>, path: RegExp) =>
			expect(() => fitFollow({ tests: [good, { ...good, setting: 80, ...change }] })).toThrow(path);
		refused({ endS: 0.4 }, /tests\[1\]\.endS/);
		refused({ angleRad: 0 }, /tests\[1\]\.angleRad/);
		refused({ restShortRad: 0.6 }, /restShortRad/);
		refused({ setting: 20 }, /two settings/);
		refused({ halfS: NaN }, /halfS/);
		refused({ deadbandFigure: -1 }, /tests\[1\]\.deadbandFigure/);
	});
});
