import { describe, expect, it } from 'vitest';
import type { VenuePlan } from '$lib/model/venue';
import { wrongWithShape } from '$lib/places/plan';
import { middleAt, middleOf, type PutKind, putKinds, putOnPlan } from './putOnPlan';

const empty: VenuePlan = { ceilingM: null, shapes: [], underlay: null };
const kinds = Object.keys(putKinds) as PutKind[];

describe('what is put on a plan from a move', () => {
	it.each(kinds)('%s lies where it is put, as large as it usually is, and is a shape that a plan takes', (kind) => {
		const { plan, id } = putOnPlan(empty, kind, [3, -2]);
		expect(middleOf(plan, id)).toEqual([expect.closeTo(3, 9), expect.closeTo(-2, 9)]);
		expect(plan.shapes).toHaveLength(1);
		expect(wrongWithShape(plan.shapes[0]!)).toBeNull();
		expect(plan.shapes[0]).toMatchObject({ kind: putKinds[kind].kind, bottomM: 0 });
	});
	it('a pillar reaches the ceiling, a table does not', () => {
		const top = (kind: PutKind, ceilingM: number | null) =>
			putOnPlan({ ...empty, ceilingM }, kind, [0, 0]).plan.shapes[0]!.topM;
		expect([top('pillar', 7), top('pillar', null), top('table', 7)]).toEqual([7, 3, 0.75]);
	});
	it('each has a name of its own, and moved it keeps its form and leaves the others', () => {
		const first = putOnPlan(empty, 'table', [0, 0]);
		const second = putOnPlan(first.plan, 'table', [4, 0]);
		expect(second.plan.shapes.map(({ label }) => label)).toEqual(['Table 1', 'Table 2']);
		const moved = middleAt(second.plan, second.id, [5, 1]);
		expect(middleOf(moved, second.id)).toEqual([expect.closeTo(5, 9), expect.closeTo(1, 9)]);
		expect(middleOf(moved, first.id)).toEqual([0, 0]);
		expect(middleOf(moved, 'gone')).toBeNull();
		expect(middleAt(moved, 'gone', [1, 1])).toBe(moved);
	});
});
