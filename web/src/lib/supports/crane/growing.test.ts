import { describe, expect, it } from 'vitest';
import { crane } from '$lib/testing/crane';
import { bodies, payload } from '$lib/testing/scenario';
import { craneFigures } from './figures';
import { grownArm, trimFollows, withTrimOnly } from './growing';
import { bareSetting } from './standing';
import { freshCraneState } from './state';

const wide = bodies(payload('wide'));
const cine = bodies(payload('Cine'));
const jib = crane('studioJib');
const sectional = crane('sectional');
const setUp = (rig: typeof jib, load: typeof wide, setting = bareSetting(rig.geometry)) => {
	const state = { ...freshCraneState(rig.geometry), setting };
	return craneFigures(rig, load, state);
};

describe('an arm at several lengths', () => {
	const grown = grownArm(jib.geometry, bareSetting(jib.geometry), wide, 0.05, 'pulled');
	it('balances at each as the slip for that length would', () => {
		expect(grown.rows).toHaveLength(7);
		for (const { target, leftKg } of grown.rows) {
			expect(setUp(jib, wide, target).noseKg - 0.05).toBeCloseTo(leftKg, 9);
			expect(Math.abs(leftKg)).toBeLessThan(0.03);
		}
	});
	it('moves the trim back with every bit pulled out, a little more each time as the rod grows too', () => {
		const hung = grown.rows[3]!.target;
		const { rows, trimPerM } = grownArm(jib.geometry, hung, wide, 0.05, 'pulled');
		const gaps = rows.slice(1).map(({ trimUM }, index) => rows[index]!.trimUM - trimUM);
		const growing = gaps.slice(1).map((gap, index) => gap - gaps[index]!);
		for (const more of growing) {
			expect(more).toBeGreaterThan(0);
			expect(more).toBeLessThan(0.01 * gaps[0]!);
		}
		expect(trimPerM * (rows[1]!.reachM - rows[0]!.reachM)).toBeCloseTo(gaps[3]!, 2);
		const [from, to] = trimFollows(rows)!;
		for (const row of [from, to]) {
			const figures = setUp(jib, wide, withTrimOnly(jib.geometry, row));
			expect(Math.abs(figures.noseKg - 0.05)).toBeLessThan(0.01);
		}
	});
	it('moves heavier plates less far than the trim', () => {
		const { platesPerM, trimPerM, rows } = grownArm(jib.geometry, grown.rows[0]!.target, wide, 0.05, 'pulled');
		expect(platesPerM!).toBeGreaterThan(0);
		expect(platesPerM!).toBeLessThan(trimPerM);
		// Where they hang is where they stand at the length that they are for.
		expect(rows[0]!.platesUM!).toBeCloseTo(jib.geometry.hanger.uM, 1);
	});
	it('takes one section more each time, and more weight with it', () => {
		const { rows } = grownArm(sectional.geometry, bareSetting(sectional.geometry), cine, 0.05, 'sections');
		expect(rows.map(({ setting }) => setting.fitted.length)).toEqual([1, 2, 3, 4]);
		const kg = rows.map(({ choice }) => choice.plates.reduce((sum, { massKg, count }) => sum + massKg * count, 0));
		expect([...kg].sort((one, two) => one - two)).toEqual(kg);
		expect(rows[0]!.platesUM).toBeNull();
		expect(rows.at(-1)!.section).toBe('Fourth section');
	});
	it('says that the trim follows nowhere when it does not', () => {
		const { rows } = grownArm(sectional.geometry, bareSetting(sectional.geometry), cine, 0.05, 'sections');
		expect(trimFollows(rows)).toBeNull();
	});
});
