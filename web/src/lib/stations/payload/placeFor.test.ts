import { combineBodies } from '@poise/core';
import { plainAttitude } from '$lib/model/attitude';
import { describe, expect, it } from 'vitest';
import { cgFromFootM, outerSizeM } from '$lib/model/part';
import { bodyOf, mountedBodies, type StandingPart } from '$lib/model/payload';
import { part, payload, standing } from '$lib/testing/scenario';
import { placeFor } from './placeFor';

const put = (name: string, on: readonly StandingPart[]): StandingPart => ({
	id: name,
	part: part(name),
	attitude: plainAttitude,
	shiftM: [0, 0, 0],
	shiftSigmaM: null,
	positionM: placeFor(part(name), on)
});

describe('where a part goes when it is put on the plate', () => {
	const body = put('Compact body', []);
	const lens = put('Wide zoom 16–35', [body]);

	it('sets the camera in the middle and the lens before it, touching', () => {
		expect(body.positionM).toEqual([0, 0, 0]);
		const rearOfLens = lens.positionM[0] - lens.part.shape.sizeM[0] / 2;
		expect(rearOfLens).toBeCloseTo(body.part.shape.sizeM[0] / 2, 12);
		expect(lens.positionM[2]).toBeGreaterThanOrEqual(0);
	});

	it('sets a matte box before the lens as it is extended, a battery behind, a monitor on top', () => {
		const box = put('Matte box', [body, lens]);
		const frontOfLens = lens.positionM[0] - lens.part.shape.sizeM[0] / 2 + outerSizeM(lens.part.shape)[0];
		expect(box.positionM[0] - box.part.shape.sizeM[0] / 2).toBeCloseTo(frontOfLens, 12);
		expect(put('Block battery', [body, lens]).positionM[0]).toBeLessThan(-0.05);
		expect(put('Small monitor', [body, lens]).positionM[2]).toBeGreaterThan(body.part.shape.sizeM[2]);
	});

	it('falls back to the middle of an empty plate', () => {
		expect(put('Wide zoom 16–35', []).positionM).toEqual([0, 0, 0]);
	});
});

describe('a part as a body', () => {
	it('is heavy in its middle as it stands while nobody has measured it, extension included', () => {
		const shape = { sizeM: [0.1, 0.06, 0.08], cgFromMiddleM: null, extensionM: 0.02 } as const;
		expect(cgFromFootM(shape)).toEqual([0.01, 0, 0.04]);
		expect(cgFromFootM({ ...shape, cgFromMiddleM: [-0.004, 0.001, 0.002] })).toEqual([-0.004, 0.001, 0.042]);
	});

	it('stands on the plate, whose underside is what the gimbal sees', () => {
		const wide = standing(payload('wide'));
		const onPlate = combineBodies({ bodies: wide.map(bodyOf) });
		const onRig = combineBodies({ bodies: mountedBodies(wide).map(({ body }) => body) });
		const plateM = part('Short plate').shape.sizeM[2];
		expect(onRig.cgM[2] - onPlate.cgM[2]).toBeCloseTo(plateM, 12);
		expect(onRig.massKg).toBeCloseTo(0.66 + 0.545 + 0.082, 12);
		// By hand, fore and aft: 0.66·(−0.018) + 0.545·0.065 kg·m over 1.287 kg.
		expect(onPlate.cgM[0]).toBeCloseTo((0.66 * -0.018 + 0.545 * 0.065) / 1.287, 12);
	});
});
