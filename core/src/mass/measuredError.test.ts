import { describe, expect, it } from 'vitest';
import {
	boxInertia,
	cgFromHang,
	cgFromTwoScales,
	errorOfHang,
	errorOfMean,
	errorOfScale,
	errorOfSwing,
	errorOfTwoScales,
	type MeasuredError,
	offsetFromScale,
	offsetFromSwing,
	PhysicsInputError,
	seededRandom,
	spreadOf
} from '../index';
import { ellipticK } from '../numeric/ellipticK';
import { normal, type Random } from '../numeric/random';

const runs = 1000;
const readings = 3;

/** The share of a thousand cases whose mean of three readings lies within so many of its own σ of the truth. */
function coverage(
	of: (random: Random) => {
		readonly truly: number;
		readonly read: () => number;
		readonly error: (mean: number) => MeasuredError;
	}
) {
	const off = Array.from({ length: runs }, (_, seed) => {
		const { truly, read, error } = of(seededRandom(seed + 1));
		const told = spreadOf({ values: Array.from({ length: readings }, read) });
		const { randomM, systematicM } = error(told.mean);
		const sigma = errorOfMean({ told, count: readings, random: randomM, systematic: systematicM });
		return Math.abs(told.mean - truly) / sigma;
	});
	return [1, 2].map((many) => off.filter((each) => each <= many).length / runs) as [number, number];
}
function honest([one, two]: readonly [number, number]) {
	expect(Math.abs(one - 0.683)).toBeLessThan(0.04);
	// Further out the laws bend.
	expect(Math.abs(two - 0.954)).toBeLessThan(0.045);
}

describe('the ± of what is measured, by the figures of its instruments: 68 of 100 within one σ', () => {
	it.each([
		['all together', { scaleKg: 0.003, gainShare: 0.004, spanM: 0.001, edgeM: 0.0007 }],
		['the readings alone', { scaleKg: 0.006, gainShare: 0, spanM: 0, edgeM: 0 }],
		['the gains alone', { scaleKg: 0, gainShare: 0.01, spanM: 0, edgeM: 0 }],
		['the span alone', { scaleKg: 0, gainShare: 0, spanM: 0.002, edgeM: 0 }]
	])('two scales, %s', (_what, errors) => {
		honest(
			coverage((random) => {
				const spanM = 0.3;
				const truly = spanM * (0.2 + 0.6 * random());
				const kg = 1 + 2 * random();
				const [gainA, gainB] = [1 + errors.gainShare * normal(random), 1 + errors.gainShare * normal(random)];
				const measuredM = spanM + errors.spanM * normal(random);
				const edge = errors.edgeM * normal(random);
				const read = () => {
					const a = kg * (1 - truly / spanM) * gainA + errors.scaleKg * normal(random);
					const b = ((kg * truly) / spanM) * gainB + errors.scaleKg * normal(random);
					return edge + cgFromTwoScales({ scaleAKg: a, scaleBKg: b, spanM: measuredM }).distanceFromAM;
				};
				return {
					...{ truly, read },
					error: (mean) =>
						errorOfTwoScales({
							scaleAKg: kg * (1 - mean / spanM),
							scaleBKg: (kg * mean) / spanM,
							spanM: measuredM,
							errors
						})
				};
			})
		);
	});

	it('a pocket scale at a lever', () => {
		const errors = { readingKg: 0.003, leverM: 0.003, massShare: 0.02, gainShare: 0.01 };
		honest(
			coverage((random) => {
				const truly = 0.004 + 0.02 * random();
				const [leverM, carriedKg] = [0.15, 1 + 3 * random()];
				const [measuredM, believedKg] = [
					leverM + errors.leverM * normal(random),
					carriedKg * (1 + errors.massShare * normal(random))
				];
				const gain = 1 + errors.gainShare * normal(random);
				const readingOf = (offsetM: number) => (offsetM * carriedKg) / leverM;
				const read = () =>
					offsetFromScale({
						readingKg: Math.max(0, readingOf(truly) * gain + errors.readingKg * normal(random)),
						...{ leverM: measuredM, carriedKg: believedKg }
					}).offsetM;
				return {
					...{ truly, read },
					error: (mean) =>
						errorOfScale({ readingKg: readingOf(mean), leverM: measuredM, carriedKg: believedKg, errors })
				};
			})
		);
	});

	it.each([
		['all together', { periodS: 0.02, inertiaShare: 0.1, massShare: 0.01, amplitudeRad: 0.05 }],
		['the taps alone', { periodS: 0.03, inertiaShare: 0, massShare: 0, amplitudeRad: 0 }],
		['a guessed inertia alone', { periodS: 0, inertiaShare: 0.15, massShare: 0, amplitudeRad: 0 }],
		['a guessed amplitude alone', { periodS: 0, inertiaShare: 0, massShare: 0, amplitudeRad: 0.08 }]
	])('a swing, %s', (_what, errors) => {
		honest(
			coverage((random) => {
				const massKg = 1 + 3 * random();
				const inertiaCgKgM2 = boxInertia({ massKg, sizeM: [0.25, 0.15, 0.15] }).yy;
				const truly = 0.008 + 0.025 * random();
				const amplitudeRad = 0.5;
				const periodS =
					4 *
					ellipticK(Math.sin(amplitudeRad / 2)) *
					Math.sqrt((inertiaCgKgM2 + massKg * truly ** 2) / (massKg * 9.80665 * truly));
				const believed = {
					massKg: massKg * (1 + errors.massShare * normal(random)),
					inertiaCgKgM2: inertiaCgKgM2 * Math.max(0.2, 1 + errors.inertiaShare * normal(random)),
					amplitudeRad: amplitudeRad + errors.amplitudeRad * normal(random)
				};
				const swung = (period: number) => {
					const told = offsetFromSwing({ ...believed, periodS: period });
					return told.feasible ? told.offsetM : told.fastestOffsetM;
				};
				return {
					truly,
					read: () => swung(periodS + errors.periodS * normal(random)),
					error: () => errorOfSwing({ ...believed, periodS, errors })
				};
			})
		);
	});

	it.each([
		['all together', { turnRad: 0.02, levelRad: 0.01, pointM: 0.0008 }],
		['the angles alone', { turnRad: 0.03, levelRad: 0, pointM: 0 }],
		['a plumb that is none alone', { turnRad: 0, levelRad: 0.02, pointM: 0 }],
		['the points alone', { turnRad: 0, levelRad: 0, pointM: 0.001 }]
	])('two hangs, %s, along x and along y', (_what, errors) => {
		for (const k of [0, 1] as const)
			honest(
				coverage((random) => {
					const cgM = [0.06 * (random() - 0.5), 0.06 * (random() - 0.5)] as const;
					const points = [
						[-0.09 + 0.02 * random(), 0.1 * random()],
						[0.04 * random(), 0.12 + 0.02 * random()]
					] as const;
					const turnOf = ([x, y]: readonly [number, number]) => Math.atan2(-(cgM[0] - x), -(cgM[1] - y));
					const level = errors.levelRad * normal(random);
					const off = points.map(([x, y]) => [
						x + errors.pointM * normal(random),
						y + errors.pointM * normal(random)
					]) as unknown as readonly [readonly [number, number], readonly [number, number]];
					const hangs = (stray: () => number) => {
						const [first, second] = points.map((point, which) => ({
							atM: off[which]!,
							turnRad: turnOf(point) + level + stray()
						}));
						return { first: first!, second: second! };
					};
					const read = () => {
						const told = cgFromHang(hangs(() => errors.turnRad * normal(random)));
						return told.feasible ? told.cgM[k] : NaN;
					};
					return { truly: cgM[k], read, error: () => errorOfHang({ ...hangs(() => 0), errors })[k] };
				})
			);
	});

	it('a balance point on a rod: what the rod hides does not go away by looking again', () => {
		const [random, systematic] = [0.0008, 0.0006];
		for (const count of [1, 4, 25]) {
			const told = spreadOf({ values: Array.from({ length: count }, () => 0.1) });
			expect(errorOfMean({ told, count, random, systematic })).toBeCloseTo(
				Math.hypot(random / Math.sqrt(count), systematic),
				12
			);
		}
		honest(
			coverage((draw) => {
				const rod = systematic * normal(draw);
				return {
					truly: 0.1,
					read: () => 0.1 + rod + random * normal(draw),
					error: () => ({ randomM: random, systematicM: systematic })
				};
			})
		);
	});
});

describe('readings that scatter beyond their instrument', () => {
	it('speak for themselves, and those that happen to agree are no better than it', () => {
		const of = (values: readonly number[], random: number) =>
			errorOfMean({ told: spreadOf({ values }), count: values.length, random, systematic: 0 });
		expect(of([1, 1, 1], 0.01)).toBeCloseTo(0.01 / Math.sqrt(3), 12);
		const told = spreadOf({ values: [0.9, 1, 1.1] });
		expect(of([0.9, 1, 1.1], 0.01)).toBeCloseTo(told.standardError!, 12);
		// Within chance of it: two σ between two readings.
		expect(of([1, 1.02], 0.01)).toBeCloseTo(0.01 / Math.SQRT2, 12);
	});
	it('what was left out as a slip is not counted', () => {
		const values = [1, 1.01, 0.99, 1, 3];
		const told = spreadOf({ values });
		expect(told.dropped).toEqual([4]);
		expect(errorOfMean({ told, count: 5, random: 0.02, systematic: 0 })).toBeCloseTo(0.01, 12);
	});
	it.each([
		['no reading', { count: 0 }],
		['an error below nothing', { random: -1 }],
		['one that is none', { systematic: NaN }]
	])('refuse %s', (_what, change) => {
		const told = { mean: 1, spread: null, standardError: null, dropped: [] };
		expect(() => errorOfMean({ told, count: 1, random: 0.1, systematic: 0.1, ...change })).toThrow(PhysicsInputError);
	});
});

it('near the shortest swing there is the ± stays bounded, by the way to where both distances meet', () => {
	const swing = { massKg: 2, inertiaCgKgM2: 0.02, amplitudeRad: 0.3 };
	const told = offsetFromSwing({ ...swing, periodS: 5 });
	const errors = { periodS: 0.02, inertiaShare: 0.05, massShare: 0, amplitudeRad: 0 };
	const { randomM, systematicM } = errorOfSwing({ ...swing, periodS: told.shortestPeriodS * (1 + 1e-9), errors });
	for (const each of [randomM, systematicM]) {
		expect(each).toBeGreaterThan(0.005);
		expect(each).toBeLessThan(0.1);
	}
	expect(() => errorOfSwing({ ...swing, periodS: told.shortestPeriodS / 2, errors })).toThrow('periodS');
});
