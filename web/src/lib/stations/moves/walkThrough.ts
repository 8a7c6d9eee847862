import { prismDistance, type Vec3 } from '@poise/core';
import type { VenuePlan } from '$lib/model/venue';
import { boundsOfPlan, isArea } from '$lib/places/plan';

/** What somebody who walks a way would walk into, or out of, first. */
export interface WalkRemark {
	readonly words: string;
	readonly atS: number;
}
/** Legs meet what stands so high. */
const legsM = 0.5;

/** Of a handheld walk through a plan: the first wall or thing in its way, or where it leaves the plan; null: nothing. Nobody's steps are proven by it. */
export function walkRemark(
	plan: VenuePlan | null,
	atS: readonly number[],
	at: readonly { readonly positionM: Vec3 }[]
): WalkRemark | null {
	if (plan === null || plan.shapes.length === 0) return null;
	const inTheWay = plan.shapes.filter(({ kind }) => kind === 'wall' || kind === 'obstacle');
	const [[west, south], [east, north]] = boundsOfPlan(plan);
	for (let k = 0; k < at.length; k += 1) {
		const [x, y, z] = at[k]!.positionM;
		const [bx, by, bz] = at[Math.max(0, k - 1)]!.positionM;
		for (const { id, kind, label, pointsM, bottomM, topM } of inTheWay) {
			const prism = { id, outlineM: pointsM, closed: isArea(kind), bottomM, topM };
			const meets = (from: number, to: number) => prismDistance({ aM: [bx, by, from], bM: [x, y, to], prism }) < 1e-6;
			if (meets(bz, z) || meets(legsM, legsM)) return { words: `It goes through ${label}`, atS: atS[k]! };
		}
		if (x < west || x > east || y < south || y > north) return { words: 'It leaves the plan', atS: atS[k]! };
	}
	return null;
}
