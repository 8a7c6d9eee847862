import { describe, expect, it } from 'vitest';
import {
	randomSled,
	seededRandom,
	simulateSpin,
	type Sled,
	sledReport,
	solveSled,
	steadyLean,
	withShifts
} from '../index';

/** Statically balanced, hung for its drop time, and out of dynamic balance by the battery's way. */
function hung(seed: number, batteryM: number, dropTimeS = 2.3): Sled {
	const bench = randomSled({ random: seededRandom(seed) });
	const moved = withShifts(bench.sled, { battery: { foreM: batteryM, sideM: batteryM / 3 } });
	const wide = { camera: { foreM: [-1, 1], sideM: [-1, 1] }, battery: { foreM: [0, 0], sideM: [0, 0] } } as const;
	const slides = ['battery', 'camera'] as const;
	const { shifts, gimbalHeightM } = solveSled({
		sled: moved,
		dropTimeS,
		foreSlides: slides,
		sideSlides: slides,
		ranges: wide,
		gimbalRangeM: [0, 2]
	});
	return { ...withShifts(moved, Object.fromEntries(shifts.map((each) => [each.id, each]))), gimbalHeightM };
}

describe('simulateSpin', () => {
	it.each([
		[1, 0.05, 0.9],
		[2, -0.04, 2],
		[3, 0.02, 6],
		[4, 0.08, 1.4]
	])('keeps energy and upright momentum over 20 turns, sled %d, battery %d m, %d rad/s', (seed, batteryM, rate) => {
		const run = simulateSpin({
			sled: hung(seed, batteryM),
			spinRadPerS: rate,
			durationS: (20 * 2 * Math.PI) / rate,
			startLean: { foreRad: 0.05, sideRad: -0.02 }
		});
		expect(run.energyDrift).toBeLessThan(1e-6);
		expect(run.momentumDrift).toBeLessThan(1e-6);
		// It really wobbles, or there would be nothing to keep.
		expect(run.greatestLeanRad).toBeGreaterThan(0.05);
	});

	it('keeps all of the momentum without gravity', () => {
		const run = simulateSpin({ sled: hung(5, 0.06), spinRadPerS: 5, durationS: 25, gravityMPerS2: 0 });
		const [first, last] = [run.samples[0]!, run.samples[run.samples.length - 1]!];
		first.momentumKgM2PerS.forEach((part, axis) => expect(last.momentumKgM2PerS[axis]).toBeCloseTo(part, 9));
		expect(run.energyDrift).toBeLessThan(1e-9);
	});

	it.each([
		[6, 0.03, 0.5],
		[7, 0.03, 0.75],
		[8, -0.03, 2.5],
		[9, 0.04, 4]
	])('its steady state is that of steadyLean, sled %d, battery %d m, %d of critical', (seed, batteryM, share) => {
		const sled = hung(seed, batteryM);
		const rate = share * steadyLean({ sled, spinRadPerS: 0, plane: 'fore' }).criticalRadPerS!;
		const fore = steadyLean({ sled, spinRadPerS: rate, plane: 'fore' }).leanRad!;
		const side = steadyLean({ sled, spinRadPerS: rate, plane: 'side' }).leanRad!;
		const run = simulateSpin({
			sled,
			spinRadPerS: rate,
			durationS: 300,
			held: true,
			dampingNmS: 0.002,
			stepS: 0.004,
			startLean: { foreRad: fore, sideRad: side }
		});
		expect(Math.abs(fore)).toBeGreaterThan(0.003);
		// Each plane's law leaves the other plane's lean out; together they differ in the second order.
		expect(Math.abs(run.meanForeLeanRad / fore - 1)).toBeLessThan(0.01);
		expect(Math.abs(run.meanSideLeanRad - side)).toBeLessThan(0.01 * Math.hypot(fore, side));
	});

	it('comes to rest as a pendulum with the period of a pendulum, and friction takes its energy', () => {
		const sled = hung(10, 0, 2.6);
		const free = simulateSpin({ sled, spinRadPerS: 0, durationS: 30, startLean: { foreRad: 0.02, sideRad: 0 } });
		const crossings = free.samples.filter(
			({ foreLeanRad }, index) => index > 0 && free.samples[index - 1]!.foreLeanRad > 0 && foreLeanRad <= 0
		);
		const { massKg, dropHeightM, tiltInertiaKgM2 } = sledReport({ sled });
		const period = 2 * Math.PI * Math.sqrt(tiltInertiaKgM2 / (massKg * 9.80665 * dropHeightM));
		expect(crossings[1]!.atS - crossings[0]!.atS).toBeCloseTo(period, 1);
		const rubbed = simulateSpin({
			sled,
			spinRadPerS: 0,
			durationS: 60,
			startLean: { foreRad: 0.1, sideRad: 0 },
			dampingNmS: 1
		});
		const energies = rubbed.samples.map(({ energyJ }) => energyJ);
		expect(energies.every((energy, index) => index === 0 || energy <= energies[index - 1]! + 1e-12)).toBe(true);
		expect(Math.abs(rubbed.samples[rubbed.samples.length - 1]!.foreLeanRad)).toBeLessThan(0.002);
	});

	it('drops from level in the time the drop formula says', () => {
		const sled = hung(11, 0, 2.4);
		const fallen = simulateSpin({
			sled,
			spinRadPerS: 0,
			durationS: 3,
			sampleS: 0.001,
			startLean: { foreRad: Math.PI / 2 - 1e-9, sideRad: 0 }
		});
		const passed = fallen.samples.find(({ foreLeanRad }) => foreLeanRad <= 0)!;
		expect(passed.atS).toBeCloseTo(2.4, 2);
	});

	it('refuses what has no sense', () => {
		const sled = hung(12, 0);
		expect(() => simulateSpin({ sled, spinRadPerS: 1, durationS: 0 })).toThrow('durationS');
		expect(() => simulateSpin({ sled, spinRadPerS: 1, durationS: 1e9 })).toThrow('fewer steps');
		const point = { parts: [{ id: 'bob', body: { massKg: 1, cgM: [0, 0, 0] as const } }], gimbalHeightM: 0.1 };
		expect(() => simulateSpin({ sled: point, spinRadPerS: 1, durationS: 1 })).toThrow('extent');
	});
});
