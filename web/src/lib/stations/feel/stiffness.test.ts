import { imbalanceSag, phaseMargin, seededRandom } from '@poise/core';
import { describe, expect, it } from 'vitest';
import type { Turning, Turnings } from '$lib/model/turning';
import { lightTurning, testSheet } from '$lib/testing/feel';
import { axisModel } from './figures';
import type { AllSettings, ModeSheet } from './model';
import { loopOf, middleSettings } from './scales';
import { usualShots } from './shots';
import { ownOf, solveInput } from './solve';
import { sagRad, stiffnessOf } from './stiffness';

const lens = { focalM: 0.035, sensorWidthM: 0.036 };

describe('one figure of stiffness for all motors, on 200 gimbals', () => {
	const random = seededRandom(3);
	const between = (low: number, high: number) => low + random() * (high - low);
	const gimbal = (): { readonly sheet: ModeSheet; readonly turnings: Turnings; readonly now: AllSettings } => {
		const bare = testSheet();
		const most = random() < 0.5 ? 100 : 30;
		const stiffness = { ...bare.scales.stiffness, most, law: random() < 0.5 ? ('log' as const) : ('linear' as const) };
		const sheet = { ...bare, delayS: between(0.002, 0.008), scales: { ...bare.scales, stiffness } };
		const turning = (): Turning => ({
			...lightTurning,
			inertiaKgM2: between(0.002, 0.03),
			residualNm: between(0, 0.2),
			motorNm: random() < 0.3 ? null : between(0.5, 6)
		});
		const turnings = { pan: turning(), tilt: turning(), ...(random() < 0.7 ? { roll: turning() } : {}) };
		const middle = middleSettings(sheet.scales);
		const now = Object.fromEntries(
			Object.entries(middle).map(([axis, own]) => [axis, { ...own, stiffness: Math.round(between(0, most)) }])
		) as unknown as AllSettings;
		return { sheet, turnings, now };
	};
	const gimbals = Array.from({ length: 200 }, gimbal);
	/** By the loop itself, and not by its inverse. */
	const marginAt = ({ sheet }: { readonly sheet: ModeSheet }, { inertiaKgM2, motorNm }: Turning, setting: number) => {
		const { naturalRadPerS } = loopOf(sheet.scales.stiffness, setting, { inertiaKgM2, motorNm });
		const { damping, delayS } = sheet;
		return phaseMargin({ inertiaKgM2, naturalRadPerS, damping, delayS }).phaseMarginRad;
	};

	it('no motor is nearer to buzzing at it than 45°, and one more is too much for the one that decides', () => {
		let decidedByOther = 0;
		for (const each of gimbals) {
			const { sheet, turnings, now } = each;
			const { common } = stiffnessOf(sheet, 'p', turnings, now);
			const { least, most } = sheet.scales.stiffness;
			if (common!.most > least)
				for (const turning of Object.values(turnings))
					expect(marginAt(each, turning, common!.most)).toBeGreaterThan(Math.PI / 4 - 1e-9);
			if (common!.most < most)
				expect(marginAt(each, turnings[common!.decides]!, common!.most + 1)).toBeLessThan(Math.PI / 4);
			if (common!.decides !== 'pan') decidedByOther += 1;
		}
		expect(decidedByOther).toBeGreaterThan(60);
	});
	it('the headline, every tube and the search agree', () => {
		for (const each of gimbals) {
			const { sheet, turnings, now } = each;
			const { axes, common } = stiffnessOf(sheet, 'p', turnings, now);
			const set = common!.advice;
			for (const { best, own } of axes) {
				expect(common!.most).toBeLessThanOrEqual(best);
				if (set !== null) expect(set).toBeLessThanOrEqual(best);
				else expect(own).toBeLessThanOrEqual(best);
			}
			if (!common!.clash)
				for (const { sagging, own, axis } of axes) expect(set ?? own, axis).toBeGreaterThanOrEqual(sagging);
			// At its advice nothing more is advised.
			if (set !== null) {
				const so = Object.fromEntries(
					Object.entries(now).map(([axis, own]) => [axis, { ...own, stiffness: set }])
				) as unknown as AllSettings;
				expect(stiffnessOf(sheet, 'p', turnings, so).common!.advice).toBeNull();
			}
			// The stiffest that any axis's search may find is no more than all of them bear.
			for (const { axis, turning } of axes) {
				const model = axisModel(sheet, now[axis], turning, 'p', axis, true);
				const { ranges } = solveInput(sheet, model, turning, usualShots[0]!, lens, 0, common!.most);
				const naturalRadPerS = ranges.naturalRadPerS[1];
				const found = { followPerS: 3, deadbandRad: 0, smoothS: 0.1, naturalRadPerS } as Parameters<typeof ownOf>[2];
				expect(ownOf(sheet, turning, found, common!.most).stiffness).toBeLessThanOrEqual(common!.most);
			}
		}
	});
	it('softer than it is told to be at least, one of them leans more than shows', () => {
		for (const { sheet, turnings, now } of gimbals) {
			const { axes, common } = stiffnessOf(sheet, 'p', turnings, now);
			const { sagging, turning, alwaysSags } = axes.find(({ axis }) => axis === common!.sags)!;
			const leanAt = (setting: number) =>
				imbalanceSag({
					residualTorqueNm: turning.residualNm,
					inertiaKgM2: turning.inertiaKgM2,
					naturalRadPerS: loopOf(sheet.scales.stiffness, setting, turning).naturalRadPerS
				}).sagRad;
			if (sagging > sheet.scales.stiffness.least) expect(leanAt(sagging - 1)).toBeGreaterThan(sagRad);
			if (!alwaysSags) expect(leanAt(sagging)).toBeLessThan(sagRad * (1 + 1e-6));
		}
	});
});
