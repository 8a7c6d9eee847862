import { describe, expect, it } from 'vitest';
import type { PlanShape, VenuePlan } from '$lib/model/venue';
import { beforeLens } from './beforeLens';

const box = (
	label: string,
	x: number,
	[bottomM, topM]: readonly [number, number],
	kind: PlanShape['kind'] = 'obstacle'
): PlanShape => ({
	...{ id: label, kind, label, bottomM, topM },
	pointsM: [
		[x, -1],
		[x + 1, -1],
		[x + 1, 1],
		[x, 1]
	]
});
const plan = (...shapes: readonly PlanShape[]): VenuePlan => ({ ceilingM: null, underlay: null, shapes });
const look = (elevationRad = 0, headingRad = 0) => ({ positionM: [0, 0, 1.5] as const, headingRad, elevationRad });

describe('what stands before a lens', () => {
	it('is the first that its look meets, and how far off', () => {
		const found = beforeLens(plan(box('far', 6, [0, 3]), box('near', 2, [0, 3])), look());
		expect(found).toMatchObject({ label: 'near' });
		expect(found!.farM).toBeCloseTo(2, 2);
	});
	it('is nothing beside the look, below it, behind it, or where only people or a wire are', () => {
		expect(beforeLens(plan(box('low', 2, [0, 1])), look())).toBeNull();
		expect(beforeLens(plan(box('near', 2, [0, 3])), look(0, Math.PI))).toBeNull();
		expect(beforeLens(plan(box('near', 2, [0, 3])), look(1))).toBeNull();
		expect(beforeLens(plan(box('guests', 2, [0, 3], 'people'), box('wire', 3, [0, 3], 'keepOut')), look())).toBeNull();
		expect(beforeLens(null, look())).toBeNull();
	});
	it('is what the lens is in, at once', () => {
		expect(beforeLens(plan(box('here', -0.5, [0, 3])), look())!.farM).toBeLessThan(0.01);
	});
	it('looking up it is further off by the slope', () => {
		expect(beforeLens(plan(box('near', 2, [0, 9])), look(Math.PI / 4))!.farM).toBeCloseTo(2 * Math.SQRT2, 2);
	});
});
