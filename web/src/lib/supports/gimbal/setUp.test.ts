import { balanceGimbal, mountPayload } from '@poise/core';
import { describe, expect, it } from 'vitest';
import { bodies, payload, rig } from '$lib/testing/scenario';
import { solveBench } from './figures';
import { carriedBy } from './gimbalShapes';
import { extensionId, setUpGimbal } from './setUp';

const small = rig('Small');
const large = rig('Large');
const tele = payload('tele');

describe('a gimbal as it is put together today', () => {
	it('is the bare one when nothing was changed', () => {
		expect(setUpGimbal(small, {}).geometry.slides.map(({ id }) => id)).toEqual(
			small.geometry.slides.map(({ id }) => id)
		);
	});
	it('sets vertical tilt last where that is the way, and balances to the same readings', () => {
		const last = setUpGimbal(small, { order: 'verticalLast' });
		expect(last.geometry.slides.map(({ id }) => id)).toEqual(['plate', 'crossbar', 'panArm', 'cradle']);
		const [a, b] = [small, last].map((each) => solveBench(each, bodies(payload('wide'))).slides);
		for (const { id, positionM } of a!) expect(b!.find((each) => each.id === id)!.positionM).toBeCloseTo(positionM, 9);
	});
	it('is balanced by the counterweight its remedy names, once it is on', () => {
		const solution = solveBench(small, bodies(tele));
		expect(solution.balanced).toBe(false);
		const remedy = solution.remedies.find(({ kind }) => kind === 'addMass');
		if (remedy?.kind !== 'addMass') throw new Error('The scenario has a counterweight that cures it.');
		const weight = { placeId: remedy.placeId, massKg: remedy.massKg + 0.002 };
		const weighted = setUpGimbal(small, { weights: [weight] });
		expect(solveBench(weighted, bodies(tele)).balanced).toBe(true);
		expect(weighted.geometry.strokes).toHaveLength(small.geometry.strokes.length + 1);
		// It rides with every slide that carries its place.
		expect(carriedBy(weighted, 'weight0', { plate: 0.01, panArm: 0.02 })[0]).toBeCloseTo(0.03, 12);
	});
	it('reaches further with an extension fitted, and not where there is none', () => {
		const plate = (of: typeof large) => of.geometry.slides.find(({ id }) => id === 'plate')!.rangeM;
		const [least, greatest] = plate(large);
		expect(plate(setUpGimbal(large, { alternativeIds: [extensionId('plate')] }))).toEqual([
			least - 0.08,
			greatest + 0.08
		]);
		expect(plate(setUpGimbal(large, { alternativeIds: [extensionId('fork')] }))).toEqual([least, greatest]);
	});
	it('moves the payload, and only it, to another hole: the plate makes up for it to the millimetre', () => {
		const other = setUpGimbal(large, { alternativeIds: ['rearHoles'] });
		const build = bodies(payload('Cine'));
		const [before, after] = [large, other].map((each) =>
			balanceGimbal({ chain: mountPayload({ rig: each.geometry, payload: build }) }).slides.find(
				({ id }) => id === 'plate'
			)
		);
		expect(after!.positionM - before!.positionM).toBeCloseTo(0.04, 9);
		expect(other.geometry.parts).toEqual(large.geometry.parts);
	});
	it('survives a remedy whose place is no longer on the gimbal', () =>
		expect(
			setUpGimbal(small, { weights: [{ placeId: 'gone', massKg: 0.1 }], alternativeIds: ['gone'] }).geometry.parts
		).toEqual(small.geometry.parts));
});
