import { type MovingBody, prismDistance, type Vec3 } from '@poise/core';
import type { PlanShape, VenuePlan } from '$lib/model/venue';
import { standingId } from '$lib/places/clearance';
import { isArea } from '$lib/places/plan';

const inside = ({ id, kind, pointsM }: PlanShape, [x, y]: Vec3): boolean => {
	const prism = { id, outlineM: pointsM, closed: true, bottomM: -1, topM: 1 };
	return isArea(kind) && prismDistance({ aM: [x, y, 0], bM: [x, y, 0], prism }) === 0;
};
/** What is tried is what lies over this, of the height of what is stood on. */
const slackM = 0.02;

/** What a foot stands on, of what is built up from the floor there: the highest that lies below; null: the floor. */
function platformUnder(plan: VenuePlan | null, foot: Vec3, belowM: number): PlanShape | null {
	return (plan?.shapes ?? [])
		.filter(
			(shape) => shape.kind === 'obstacle' && shape.bottomM <= slackM && shape.topM <= belowM && inside(shape, foot)
		)
		.reduce<PlanShape | null>((best, each) => (best === null || each.topM > best.topM ? each : best), null);
}
export const groundUnder = (...of: Parameters<typeof platformUnder>): number => platformUnder(...of)?.topM ?? 0;
/** Their names, of several feet: nobody said that they stand there, so it is said. */
export const platformsUnder = (plan: VenuePlan | null, feet: readonly Vec3[]): readonly string[] => [
	...new Set(feet.flatMap((foot) => platformUnder(plan, foot, foot[2])?.label ?? []))
];
/** What lies no higher than what is stood on, and the floor: a foot is not tried against it. */
export const lyingUnder = (plan: VenuePlan | null, groundM: number): readonly string[] => [
	'floor',
	...(plan?.shapes ?? []).filter(({ topM }) => topM <= groundM + slackM).map(({ id }) => id)
];

/** A leg, a stand, a column: from where it carries down to where it stands. */
export function standing(
	plan: VenuePlan | null,
	[name, k]: readonly [name: string, k: number],
	topM: Vec3,
	[x, y]: readonly [number, number],
	radiusM: number
): MovingBody {
	const groundM = groundUnder(plan, [x, y, 0], topM[2]);
	const toM: Vec3 = [x, y, Math.min(topM[2], groundM + radiusM)];
	return { id: standingId(name, k), on: 'room', fromM: topM, toM, radiusM, but: lyingUnder(plan, groundM) };
}
