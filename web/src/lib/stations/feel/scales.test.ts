import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { testSheet } from '$lib/testing/feel';
import type { TimedRun } from './model';
import { settingNames } from './model';
import {
	assumedScales,
	fittedFollow,
	keptOn,
	loopOf,
	middleSettings,
	ownFor,
	scaleProblem,
	scalesFrom,
	turnsOf,
	valueOf
} from './scales';

const run = (follow: number, halfS: number, endS: number, restShortRad = 0.05, deadband = 10): TimedRun => ({
	id: `${follow}`,
	at: '2026-11-01T10:00:00.000Z',
	by: 'Maren Olt',
	follow,
	deadband,
	smooth: 30,
	angleRad: 0.8,
	halfS,
	endS,
	restShortRad,
	struck: false
});
const stamp = { at: '2026-11-01T10:00:00.000Z', by: 'Maren Olt' };

describe('a gimbal’s own scale', () => {
	it('gives a whole figure back for every whole figure', () => {
		fc.assert(
			fc.property(fc.constantFrom(...settingNames), fc.integer({ min: 0, max: 100 }), (name, setting) => {
				const scale = assumedScales[name];
				for (const round of [Math.round, Math.ceil, Math.floor])
					expect(ownFor(scale, valueOf(scale, setting), round)).toEqual({ setting, within: true });
			})
		);
	});

	it('rounds to the side it is asked for and stops at its ends', () => {
		const scale = assumedScales.deadband;
		const between = (valueOf(scale, 20) + valueOf(scale, 21)) / 2.001;
		expect(ownFor(scale, between, Math.floor).setting).toBe(20);
		expect(ownFor(scale, between, Math.ceil).setting).toBe(21);
		expect(ownFor(scale, 9)).toEqual({ setting: 100, within: false });
		expect([keptOn(scale, -4), keptOn(scale, 104), keptOn(scale, 55)]).toEqual([0, 100, 55]);
	});

	it('says what makes no sense of it', () => {
		const scale = assumedScales.follow;
		expect(scaleProblem(scale)).toBeNull();
		expect(scaleProblem({ ...scale, least: 100 })).toMatch(/least figure/);
		expect(scaleProblem({ ...scale, atLeast: 9, atMost: 9 })).toMatch(/real value/);
		expect(scaleProblem({ ...scale, atLeast: 0 })).toMatch(/logarithmic/);
	});

	it('begins with figures that lie on it', () => {
		const now = middleSettings(assumedScales);
		for (const axis of ['pan', 'tilt', 'roll'] as const)
			for (const name of settingNames) expect(keptOn(assumedScales[name], now[axis][name])).toBe(now[axis][name]);
	});
});

describe('timed turns', () => {
	it('tell nothing before they are at two settings, and struck ones do not count', () => {
		const { scales } = testSheet({});
		expect(fittedFollow({ runs: [], scales })).toBeNull();
		expect(fittedFollow({ runs: [run(20, 0.8, 3.9), run(20, 0.78, 3.8)], scales })).toBeNull();
		const runs = [run(20, 0.8, 3.9), { ...run(80, 0.27, 1), struck: true }];
		expect(fittedFollow({ runs, scales })).toBeNull();
	});

	it('make the scale: it passes through what was found, quicker further up', () => {
		const sheet = testSheet({ runs: [run(20, 0.8, 3.9), run(50, 0.43, 1.98), run(80, 0.27, 1)] });
		const fit = fittedFollow(sheet)!;
		const scales = scalesFrom(sheet, fit, stamp);
		for (const { setting, followPerS } of fit.at)
			expect(valueOf(scales.follow, setting) / followPerS).toBeCloseTo(1, 6);
		expect(scales.follow.atMost).toBeGreaterThan(scales.follow.atLeast);
		expect(scales.follow.measured).toEqual(stamp);
		// What it stood short by is the dead band at its setting, where it does not ring.
		expect(Math.abs(valueOf(scales.deadband, 10) / 0.05 - 1)).toBeLessThan(0.05);
		expect(scales.deadband.atLeast).toBe(0);
		expect(scales.stiffness).toEqual(sheet.scales.stiffness);
		for (const name of settingNames) expect(scaleProblem(scales[name])).toBeNull();
	});

	it('are counted with their dead bands from where there is none', () => {
		const { scales } = testSheet({});
		const own = { ...scales, deadband: { ...scales.deadband, least: 5 } };
		const runs = [run(20, 0.8, 3.9, 0.01, 15), run(80, 0.27, 1, 0.01, 5)];
		expect(turnsOf({ runs, scales: own })!.map((turn) => turn.deadbandFigure)).toEqual([10, 0]);
		const none = [run(20, 0.8, 3.9, 0.01, 5), run(80, 0.27, 1, 0.01, 5)];
		expect(turnsOf({ runs: none, scales: own })!.map((turn) => turn.deadbandFigure)).toEqual([undefined, undefined]);
	});
	it('leave the dead band as it was where the turns do not tell it', () => {
		const sheet = testSheet({ runs: [run(20, 0.8, 3.9), run(50, 0.43, 1.98), run(80, 0.27, 1)] });
		const fit = { ...fittedFollow(sheet)!, cannotTell: ['deadbandRad'] as const };
		expect(scalesFrom(sheet, fit, stamp).deadband).toEqual(sheet.scales.deadband);
	});

	it('leave the dead band as it was where none was set', () => {
		const sheet = testSheet({ runs: [run(20, 0.8, 3.9, 0.01, 0), run(80, 0.27, 1, 0.01, 0)] });
		expect(scalesFrom(sheet, fittedFollow(sheet)!, stamp).deadband).toEqual(sheet.scales.deadband);
	});
});

describe('the motor’s loop', () => {
	it('gets softer for a heavier payload at the same figure, and stiffer further up the scale', () => {
		const scale = assumedScales.stiffness;
		const light = loopOf(scale, 50, { motorNm: 1, inertiaKgM2: 0.01 });
		const heavy = loopOf(scale, 50, { motorNm: 1, inertiaKgM2: 0.04 });
		expect(heavy.stiffnessNmPerRad).toBe(light.stiffnessNmPerRad);
		expect(light.naturalRadPerS / heavy.naturalRadPerS).toBeCloseTo(2, 9);
		expect(loopOf(scale, 80, { motorNm: 1, inertiaKgM2: 0.01 }).stiffnessNmPerRad).toBeGreaterThan(
			light.stiffnessNmPerRad
		);
	});
	it('is assumed for a motor nobody knows, and never nothing', () => {
		const loop = loopOf(assumedScales.stiffness, 0, { motorNm: null, inertiaKgM2: 0.01 });
		expect(loop.naturalRadPerS).toBeGreaterThan(0);
	});
});
