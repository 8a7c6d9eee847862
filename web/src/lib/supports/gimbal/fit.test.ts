import { mountPayload } from '@poise/core';
import { describe, expect, it } from 'vitest';
import { bodies, payload, rig, standing, targetsOf } from '$lib/testing/scenario';
import { demandFor, openingChecks, travelLeft } from './fit';

const small = rig('Small');
const wide = payload('wide');
const targets = targetsOf(small, wide);

describe('the fit of a payload', () => {
	it('between the arms counts from the gimbal’s middle, wherever the crossbar stands', () => {
		const here = openingChecks(small, standing(wide), targets);
		const there = openingChecks(small, standing(wide), { ...targets, crossbar: targets.crossbar! - 0.02 });
		expect(here.map(({ label }) => label)).toEqual(['width', 'height', 'depth']);
		// The crossbar carries payload and tilt motor alike: what is between the arms stays as it is.
		expect(there[0]!.reachM).toBeCloseTo(here[0]!.reachM, 12);
		for (const { ok, reachM, mayM } of here) expect(ok).toBe(reachM <= mayM);
	});
	it('touches behind when the plate goes further back than the arm leaves room for', () => {
		const back = { ...targets, plate: targets.plate! - 0.2 };
		expect(openingChecks(small, standing(wide), back).find(({ label }) => label === 'depth')!.ok).toBe(false);
		expect(openingChecks(small, standing(wide), targets).find(({ label }) => label === 'depth')!.ok).toBe(true);
	});
	it('says nothing of an opening that nobody measured', () =>
		expect(
			openingChecks({ ...small, geometry: { ...small.geometry, openingM: null } }, standing(wide), targets)
		).toEqual([]));
	it('leaves no travel at the end of a slide', () => {
		const [plate] = travelLeft(small, { ...targets, plate: small.geometry.slides[0]!.rangeM[1] });
		expect(plate!.leftM).toBe(0);
		for (const { leftM } of travelLeft(small, targets)) expect(leftM).toBeGreaterThan(0);
	});
	it('asks four times the swing and twice the push for twice the rate', () => {
		const chain = mountPayload({ rig: small.geometry, payload: bodies(wide) });
		const [slow, quick] = [1, 2].map((rate) => demandFor(chain, targets, rate, 0.5));
		slow!.forEach((each, index) => {
			expect(quick![index]!.acceleratingNm).toBeCloseTo(2 * each.acceleratingNm, 12);
			expect(quick![index]!.swingingNm).toBeCloseTo(4 * each.swingingNm, 12);
			expect(quick![index]!.holdingNm).toBe(each.holdingNm);
		});
	});
});
