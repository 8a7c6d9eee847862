import { describe, expect, it } from 'vitest';
import { lightTurning, testSheet } from '$lib/testing/feel';
import { axisModel } from './figures';
import { wishesRead } from './wishes';
import { ownOf, solveInput, solveWithWins } from './solve';
import { shotOf, usualShots } from './shots';
import { middleSettings } from './scales';

const sheet = testSheet();
const lens = { focalM: 0.035, sensorWidthM: 0.036 };
const now = middleSettings(sheet.scales).pan;
const model = axisModel(sheet, now, lightTurning, 'p', 'pan', true);
const solved = (id: string, calm = 0) =>
	solveWithWins(calm, solveInput(sheet, model, lightTurning, shotOf({ own: [] }, id), lens, calm, 100));

describe('settings for a shot', () => {
	it.each(usualShots.map(({ id }) => id))('%s: what can be met is met, on whole figures of the gimbal’s own', (id) => {
		const shot = shotOf({ own: [] }, id);
		const { feel } = solved(id);
		const own = ownOf(sheet, lightTurning, feel, 100);
		for (const [name, figure] of Object.entries(own)) {
			expect(Number.isInteger(figure), name).toBe(true);
			expect(figure).toBeGreaterThanOrEqual(0);
			expect(figure).toBeLessThanOrEqual(100);
		}
		if (!feel.feasible) return expect(feel.binding.length).toBeGreaterThan(0);
		const reads = wishesRead(axisModel(sheet, own, lightTurning, 'p', 'pan', true), shot, lens);
		for (const { id: wish, share } of reads.filter((read) => read.id !== 'shakeShare' && read.id !== 'overshootRad'))
			expect(share, wish).toBeLessThan(1.06);
	});
	it('are quicker at the quick end of the slider than at the calm one', () => {
		const [quick, calm] = [solved('walkBehind', -1).feel, solved('walkBehind', 1).feel];
		expect(quick.lagRad).toBeLessThan(calm.lagRad);
		expect(quick.shakeRad).toBeGreaterThanOrEqual(calm.shakeRad * 0.98);
	});
	it('say what giving up a wish that binds would win, as a share of the shake', () => {
		const { feel, wins } = solved('whipPan');
		for (const { limit, less } of wins) {
			expect(feel.binding).toContain(limit);
			expect(less).toBeGreaterThanOrEqual(0);
			expect(less).toBeLessThanOrEqual(1);
		}
	});
	it('a longer lens asks for a quicker follow', () => {
		const at = (focalM: number) =>
			solveWithWins(
				0,
				solveInput(sheet, model, lightTurning, shotOf({ own: [] }, 'walkBehind'), { ...lens, focalM }, 0, 100)
			).feel;
		expect(at(0.085).followPerS).toBeGreaterThan(at(0.024).followPerS);
	});
	it('never ask for a stiffness without its margin', () => {
		for (const { id } of usualShots) {
			const own = ownOf(sheet, lightTurning, solved(id).feel, 100);
			const { phaseMarginRad } = axisModel(sheet, own, lightTurning, 'p', 'pan', true);
			expect(phaseMarginRad).toBeGreaterThan(Math.PI / 4 - 1e-6);
		}
	});
});
