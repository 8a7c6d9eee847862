import { describe, expect, it } from 'vitest';
import { median } from '../mass/spread';
import { seededRandom } from '../numeric/random';
import { carefulOperator, type BenchWay, simulateBench } from './simulateBench';
import { randomBench } from './randomBench';

const benches = Array.from({ length: 200 }, (_, seed) => randomBench({ random: seededRandom(seed + 1) }));
const run = (way: BenchWay, operator = carefulOperator) =>
	benches.map((bench, seed) => simulateBench({ ...bench, way, operator, random: seededRandom(seed + 5000) }));

describe('two hundred simulated benches', () => {
	const oneLook = run('oneLook');
	const fallsHolds = run('fallsHolds');
	const halving = run('halving');
	const nudges = (outcomes: typeof oneLook) => outcomes.flatMap(({ axes }) => axes.map((axis) => axis.nudges));

	it('are poised on every axis by one look and one nudge: one at the median, three at most', () => {
		expect(oneLook.every(({ poised }) => poised)).toBe(true);
		expect(median(nudges(oneLook))).toBe(1);
		expect(Math.max(...nudges(oneLook))).toBeLessThanOrEqual(3);
	});
	it('need six nudges an axis at most, at the median, by falls and holds, to a millimetre', () => {
		expect(median(nudges(fallsHolds))).toBeLessThanOrEqual(6);
		const errors = fallsHolds.flatMap(({ slides }) => slides.map(({ errorM }) => errorM));
		expect(median(errors)).toBeLessThan(0.0005);
		expect(errors.filter((error) => error > 0.001).length / errors.length).toBeLessThan(0.1);
	});
	it('end nearer the truth than halving by hand does', () => {
		const errors = (outcomes: typeof oneLook) =>
			median(outcomes.flatMap(({ slides }) => slides.map(({ errorM }) => errorM)));
		expect(errors(fallsHolds)).toBeLessThan(errors(halving));
		expect(errors(oneLook)).toBeLessThan(errors(halving));
		expect(oneLook.filter(({ poised }) => poised).length).toBeGreaterThan(
			halving.filter(({ poised }) => poised).length
		);
	});
	it('come out the same from the same seed, and otherwise from another', () => {
		const bench = benches[3]!;
		const once = (seed: number) => simulateBench({ ...bench, way: 'oneLook', random: seededRandom(seed) });
		expect(once(9)).toEqual(once(9));
		expect(once(9)).not.toEqual(once(10));
	});
	it('need nothing when belief and truth agree and the hand is steady', () => {
		const steady = { angleSigmaRad: 0, tapSigmaS: 0, scaleSigmaKg: 0, moveSigmaM: 0, wrongLook: 0 };
		for (const { rig, payload } of benches.slice(0, 20)) {
			const outcome = simulateBench({
				rig,
				payload,
				truth: { bodies: {}, zeroErrorM: {} },
				way: 'oneLook',
				operator: steady,
				random: seededRandom(1)
			});
			expect(outcome.axes.map((axis) => axis.nudges)).toEqual([0, 0, 0]);
		}
	});
	it('refuse a tolerance of nothing', () =>
		expect(() => simulateBench({ ...benches[0]!, way: 'fallsHolds', random: seededRandom(1), toleranceM: 0 })).toThrow(
			'toleranceM'
		));
});
