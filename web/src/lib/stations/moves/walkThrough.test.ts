import type { Vec3 } from '@poise/core';
import { describe, expect, it } from 'vitest';
import type { PlanShape, VenuePlan } from '$lib/model/venue';
import { walkRemark } from './walkThrough';

const wall = (label: string, points: PlanShape['pointsM']): PlanShape => ({
	...{ id: label, kind: 'wall', label, pointsM: points, bottomM: 0, topM: 3 }
});
const room: VenuePlan = {
	ceilingM: null,
	underlay: null,
	shapes: [
		wall('West wall', [
			[0, 0],
			[0, 6]
		]),
		wall('East wall', [
			[8, 0],
			[8, 6]
		]),
		{
			...{ id: 'bench', kind: 'obstacle', label: 'Bench', bottomM: 0, topM: 0.6 },
			pointsM: [
				[4, 2],
				[5, 2],
				[5, 3],
				[4, 3]
			]
		}
	]
};
const walked = (...points: readonly Vec3[]) => {
	const steps = points.slice(1).flatMap((to, k) =>
		Array.from({ length: 10 }, (_, n): Vec3 => {
			const from = points[k]!;
			const share = (n + 1) / 10;
			return [0, 1, 2].map((axis) => from[axis]! + share * (to[axis]! - from[axis]!)) as unknown as Vec3;
		})
	);
	const at = [points[0]!, ...steps].map((positionM) => ({ positionM }));
	return walkRemark(
		room,
		at.map((_, k) => k / 10),
		at
	);
};

describe('a walk', () => {
	it('that stays among the walls is not remarked', () =>
		expect(walked([1, 1, 1.6], [3, 5, 1.6], [7, 5, 1.6])).toBeNull());
	it('through a wall is, by its name and when', () => {
		const found = walked([7, 5, 1.6], [9, 5, 1.6]);
		expect(found?.words).toBe('It goes through East wall');
		expect(found!.atS).toBeCloseTo(0.5, 1);
	});
	it('into what is lower than the lens and not lower than legs is', () =>
		expect(walked([3, 2.5, 1.6], [6, 2.5, 1.6])?.words).toBe('It goes through Bench'));
	it('out of the plan where no wall is, is', () =>
		expect(walked([4, 5, 1.6], [4, 9, 1.6])?.words).toBe('It leaves the plan'));
	it('on an empty floor nothing is said', () =>
		expect(walkRemark({ ...room, shapes: [] }, [0], [{ positionM: [99, 99, 1] }])).toBeNull());
});
