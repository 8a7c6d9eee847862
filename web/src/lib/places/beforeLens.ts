import { prismDistance, type Vec3 } from '@poise/core';
import type { VenuePlan } from '$lib/model/venue';
import { isArea } from './plan';

/** What the middle of a picture meets first. */
export interface BeforeLens {
	readonly label: string;
	readonly farM: number;
}
/** Further than this nothing stands before a lens. */
const mostM = 200;

/** Of what stands in a plan, the first that a straight look from a lens meets, and how far off; null: nothing. Wires are no wall. */
export function beforeLens(
	plan: VenuePlan | null,
	{
		positionM,
		headingRad,
		elevationRad
	}: { readonly positionM: Vec3; readonly headingRad: number; readonly elevationRad: number }
): BeforeLens | null {
	const flat = Math.cos(elevationRad);
	const ahead = (u: number): Vec3 => [
		positionM[0] + u * flat * Math.cos(headingRad),
		positionM[1] + u * flat * Math.sin(headingRad),
		positionM[2] + u * Math.sin(elevationRad)
	];
	const met = (plan?.shapes ?? [])
		.filter(({ kind }) => kind === 'wall' || kind === 'obstacle')
		.flatMap(({ id, kind, label, pointsM, bottomM, topM }): BeforeLens[] => {
			const prism = { id, outlineM: pointsM, closed: isArea(kind), bottomM, topM };
			const meets = (u: number) => prismDistance({ aM: positionM, bM: ahead(u), prism }) < 1e-6;
			if (!meets(mostM)) return [];
			let [low, high] = [0, mostM];
			while (high - low > 0.005) {
				const middle = (low + high) / 2;
				if (meets(middle)) high = middle;
				else low = middle;
			}
			return [{ label, farM: high }];
		});
	return met.reduce<BeforeLens | null>((best, each) => (best === null || each.farM < best.farM ? each : best), null);
}
