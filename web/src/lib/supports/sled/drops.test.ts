import { sledReport } from '@poise/core';
import { describe, expect, it } from 'vitest';
import type { SledSeen } from './model';
import { bodies, payload } from '$lib/testing/scenario';
import { benchState, sled } from '$lib/testing/sled';
import { dropCurve, dropPerMm, dropPlan, ownInertia, thumbFrom, timedDrops, trueInertia } from './drops';
import { sledFigures } from './figures';
import { poisedFrom } from './poisedFrom';

const heavy = sled('heavy');
const cine = bodies(payload('Cine'));
const poised = poisedFrom(heavy, cine, benchState(heavy));
const figures = sledFigures(heavy, cine, poised, null);

describe('timed drops', () => {
	it('leave out the slip of a thumb and take its lag off', () => {
		const timed = timedDrops([2.5, 2.54, 2.46, 2.5, 3.9], { lagS: 0.1, spreadS: 0.05 })!;
		expect(timed.dropped).toEqual([4]);
		expect(timed.mean).toBeCloseTo(2.5, 12);
		expect(timed.dropTimeS).toBeCloseTo(2.4, 12);
	});
	it('grow surer with every run and with a measured thumb, never surer than a thumb is', () => {
		const thumb = { lagS: 0, spreadS: 0.08 };
		const sigma = (...runs: number[]) => timedDrops(runs, thumb)!.sigmaS;
		expect(sigma(2.5, 2.5, 2.5, 2.5)).toBeLessThan(sigma(2.5));
		expect(sigma(2.5, 2.5)).toBeGreaterThanOrEqual(0.08 / Math.SQRT2);
		expect(timedDrops([2.5, 2.5], null)!.sigmaS).toBeGreaterThan(sigma(2.5, 2.5));
		expect(timedDrops([], thumb)).toBeNull();
	});
	it('know a thumb after five tries, not before', () => {
		expect(thumbFrom([0.1, 0.1, 0.12, 0.09])).toBeNull();
		const thumb = thumbFrom([0.1, 0.12, 0.08, 0.11, 0.09, 1.4])!;
		expect(thumb.lagS).toBeCloseTo(0.1, 12);
		expect(thumb.spreadS).toBeCloseTo(Math.sqrt((2 * 0.02 ** 2 + 2 * 0.01 ** 2) / 4), 9);
	});
});

describe('the gimbal for a wanted drop', () => {
	it('stays where the drop is right, and goes exactly where another one is', () => {
		const plan = (wanted: number) => dropPlan(heavy.geometry, poised.setting, figures.sled, wanted);
		expect(plan(2.5).kind).toBe('right');
		for (const wanted of [1.6, 2, 3.2, 4]) {
			const found = plan(wanted);
			if (found.kind !== 'move') throw new Error('it must move');
			expect(found.thenS).toBeCloseTo(wanted, 9);
			expect(Math.sign(found.toM - poised.setting.gimbalM)).toBe(Math.sign(2.5 - wanted));
		}
	});
	it('says the nearest and why where it cannot be had', () => {
		const short = dropPlan(heavy.geometry, poised.setting, figures.sled, 0.3);
		expect(short).toMatchObject({ kind: 'move', why: 'gimbalAtTop', toM: heavy.geometry.gimbalM[1] });
		const long = { ...heavy.geometry, gimbalM: [0.3, 3] as const };
		const quick = dropPlan(long, poised.setting, figures.sled, 0.3);
		if (quick.kind !== 'move') throw new Error('it must move');
		expect(quick.why).toBe('tooShort');
		// No height of that sled drops quicker.
		for (const [, seconds] of dropCurve(long, poised.setting, figures.sled))
			expect(seconds).toBeGreaterThanOrEqual(quick.thenS! - 1e-9);
	});
	it('grows shorter as the gimbal goes up', () => {
		const times = dropCurve(heavy.geometry, poised.setting, figures.sled).map(([, seconds]) => seconds);
		expect(times.every((time, index) => index === 0 || time < times[index - 1]!)).toBe(true);
		expect(dropPerMm(figures.sled)).toBeLessThan(0);
	});
});

describe('what drops say of the true inertia', () => {
	const own = ownInertia(figures.report, 'fore');
	const dropAt = (gimbalM: number, next: Partial<SledSeen> = {}): SledSeen =>
		({
			kind: 'drop',
			plane: 'fore',
			setting: { ...poised.setting, gimbalM },
			payloadVersion: 1,
			dropTimeS: sledReport({ sled: { ...figures.sled, gimbalHeightM: gimbalM } }).dropTimeS.fore!,
			sigmaS: 0.04,
			runsS: [],
			...next
		}) as SledSeen;
	const at = poised.setting.gimbalM;

	it('find it from two heights, exactly where the times are', () => {
		const found = trueInertia([dropAt(at), dropAt(at + 0.012)], poised.setting, figures.massKg, 'fore');
		if (found.kind !== 'found') throw new Error(found.kind);
		expect(found.inertiaKgM2).toBeCloseTo(own, 6);
		expect(found.cgHeightM).toBeCloseTo(figures.report.cgM[2], 6);
		expect(found.sigmaKgM2).toBeGreaterThan(0.01);
	});
	it('ask for another height, leave out drops of another build, and refuse times that make no body', () => {
		expect(trueInertia([dropAt(at), dropAt(at)], poised.setting, figures.massKg, 'fore')).toEqual({
			kind: 'few',
			heights: 1
		});
		const moved = dropAt(at + 0.012);
		const elsewhere = {
			...moved,
			setting: {
				...moved.setting,
				items: { ...moved.setting.items, monitor: { foreM: 0.05, sideM: 0, upM: 0, tiltRad: 0 } }
			}
		};
		expect(trueInertia([dropAt(at), elsewhere], poised.setting, figures.massKg, 'fore')).toMatchObject({ kind: 'few' });
		expect(
			trueInertia(
				[dropAt(at), { ...dropAt(at + 0.012), dropTimeS: 3.5 } as SledSeen],
				poised.setting,
				figures.massKg,
				'fore'
			)
		).toEqual({ kind: 'no', reason: 'notShorter' });
		expect(trueInertia([dropAt(at), dropAt(at + 0.01)], poised.setting, figures.massKg, 'side').kind).toBe('few');
	});
});
