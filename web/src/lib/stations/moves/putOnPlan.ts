import type { PlanKind, PlanPoint, VenuePlan } from '$lib/model/venue';
import { changedShape, movedBy, snapped, withShape } from '$lib/places/plan';

/** What is put on a venue's plan from a move's own: as large as it usually is, to be put right by figures. */
export const putKinds = {
	pillar: { words: 'Pillar', kind: 'obstacle', wideM: 0.4, deepM: 0.4, topM: null },
	table: { words: 'Table', kind: 'obstacle', wideM: 1.6, deepM: 0.8, topM: 0.75 },
	person: { words: 'Person', kind: 'people', wideM: 0.6, deepM: 0.6, topM: 1.9 }
} as const satisfies Readonly<
	Record<
		string,
		/** Without a top of its own it reaches the ceiling. */
		{ words: string; kind: PlanKind; wideM: number; deepM: number; topM: number | null }
	>
>;
export type PutKind = keyof typeof putKinds;
/** A room whose ceiling nobody has said. */
const usualCeilingM = 3;

/** One more of them, its middle there. */
export function putOnPlan(
	plan: VenuePlan,
	what: PutKind,
	at: PlanPoint
): { readonly plan: VenuePlan; readonly id: string } {
	const { words, kind, wideM, deepM, topM } = putKinds[what];
	const [x, y] = snapped(at);
	const [dx, dy] = [wideM / 2, deepM / 2];
	const count = plan.shapes.filter(({ label }) => label.startsWith(words)).length + 1;
	const outline = [
		[x - dx, y - dy],
		[x + dx, y - dy],
		[x + dx, y + dy],
		[x - dx, y + dy]
	] as const;
	const made = withShape(plan, kind, outline, `${words} ${count}`);
	return {
		id: made.id,
		plan: changedShape(made.plan, made.id, { bottomM: 0, topM: topM ?? plan.ceilingM ?? usualCeilingM })
	};
}

/** Where the middle of a shape lies; null: it is none of this plan. */
export function middleOf(plan: VenuePlan, id: string): PlanPoint | null {
	const shape = plan.shapes.find((each) => each.id === id);
	if (shape === undefined) return null;
	const of = (axis: 0 | 1) => shape.pointsM.map((point) => point[axis]);
	const middle = (all: readonly number[]) => (Math.min(...all) + Math.max(...all)) / 2;
	return [middle(of(0)), middle(of(1))];
}
/** Its middle there, its form as it is. */
export function middleAt(plan: VenuePlan, id: string, at: PlanPoint): VenuePlan {
	const shape = plan.shapes.find((each) => each.id === id);
	const now = middleOf(plan, id);
	return shape === undefined || now === null ? plan : movedBy(plan, shape, [at[0] - now[0], at[1] - now[1]]);
}
