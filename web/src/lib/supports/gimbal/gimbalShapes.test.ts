import { describe, expect, it } from 'vitest';
import type { Vec3 } from '@poise/core';
import { payload, rig, standing } from '$lib/testing/scenario';
import { carriedBy, cornersOfPart, cornersOfStroke, payloadOriginM, strokesAt } from './gimbalShapes';

const small = rig('Small');
const at = { plate: 0.01, cradle: 0.02, crossbar: -0.03, panArm: 0.04 };

describe('the drawing of a gimbal follows its slides', () => {
	it('carries each part by the slides that move it, and no other', () => {
		expect(carriedBy(small, 'handle', at)).toEqual([0, 0, 0]);
		expect(carriedBy(small, 'riser', at)).toEqual([0.04, 0, 0]);
		expect(carriedBy(small, 'tilt', at)).toEqual([0.04, -0.03, 0]);
		expect(carriedBy(small, 'payload', at)).toEqual([0.05, -0.03, 0.02]);
	});

	it('stands the payload on its seat, above the thickness of its plate', () => {
		expect(payloadOriginM(small, {}, 0.009)).toEqual([0, 0, expect.closeTo(-0.051, 12)]);
		expect(payloadOriginM(small, at, 0.009)[0]).toBeCloseTo(0.05, 12);
	});

	it('moves every stroke with its part, without changing its shape', () => {
		const [still, moved] = [strokesAt(small, {}), strokesAt(small, at)];
		still.forEach((stroke, index) => {
			const by = carriedBy(small, stroke.partId, at);
			const [before, after] = [cornersOfStroke(stroke), cornersOfStroke(moved[index]!)];
			expect(after).toHaveLength(before.length);
			before.forEach((corner, k) =>
				corner.forEach((value, axis) => expect(after[k]![axis]).toBeCloseTo(value + by[axis]!, 12))
			);
		});
	});

	it('knows the outer corners of tubes, boxes and motors', () => {
		const span = (corners: readonly Vec3[]) =>
			[0, 1, 2].map((k) => Math.max(...corners.map((c) => c[k]!)) - Math.min(...corners.map((c) => c[k]!)));
		const box = cornersOfStroke({ kind: 'box', partId: 'x', atM: [1, 1, 1], sizeM: [0.1, 0.2, 0.3] });
		expect(span(box).map((value) => Number(value.toFixed(9)))).toEqual([0.1, 0.2, 0.3]);
		const motor = cornersOfStroke({
			kind: 'motor',
			partId: 'x',
			atM: [0, 0, 0],
			axis: 'y',
			radiusM: 0.05,
			lengthM: 0.03
		});
		expect(span(motor)).toEqual([0.1, 0.03, 0.1]);
		const tube = cornersOfStroke({
			kind: 'tube',
			partId: 'x',
			pointsM: [
				[0, 0, 0],
				[0.2, 0, 0]
			],
			widthM: 0.02
		});
		expect(span(tube).map((value) => Number(value.toFixed(9)))).toEqual([0.22, 0.02, 0.02]);
	});

	it('counts an extended lens at its extended length', () => {
		const lens = standing(payload('tele')).find(({ part }) => part.kind === 'lens')!;
		const [rear, front] = cornersOfPart(lens, [0, 0, 0]) as [Vec3, Vec3];
		expect(front[0] - rear[0]).toBeCloseTo(0.228, 12);
	});
});
