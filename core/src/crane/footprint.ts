import { checksFor } from '../input';
import type { Point } from '../venue/point';
import { cornerTurn, crossingSides, outlineAreaM2 } from '../venue/outline';

/** One side of a base's footprint, from foot to foot, counter-clockwise seen from above. */
export interface FootprintEdge {
	readonly from: Point;
	/** Square to it, into the footprint. */
	readonly inward: Point;
	/** Of the footprint's centroid, inside it. */
	readonly centroidM: number;
}

export interface Footprint {
	readonly feet: readonly Point[];
	readonly edges: readonly FootprintEdge[];
	readonly centroidM: Point;
	/** What stands on feet tips over the convex hull; feet inside it make no edge. */
	readonly areaM2: number;
}

/** A foot this near to the line between its neighbours makes no corner, m². */
const flat = 1e-9;

/**
 * A base's footprint, checked at the door of `call`: three feet or more, counter-clockwise, no side crossing another.
 * A base tips over the hull of its feet; a dent in the outline is filled by it.
 */
export function footprintOf(call: string, given: readonly Point[]): Footprint {
	const check = checksFor(call);
	const feet = check.list('footprintM', given).map((foot, index): Point => {
		if (!Array.isArray(foot) || foot.length !== 2)
			check.fail(`footprintM[${index}]`, 'must be two numbers [x, y]', foot);
		return [check.number(`footprintM[${index}][0]`, foot[0]), check.number(`footprintM[${index}][1]`, foot[1])];
	});
	if (feet.length < 3) check.fail('footprintM', 'must have at least three feet', feet.length);
	const crossing = crossingSides(feet);
	if (crossing !== null)
		check.fail('footprintM', 'must not cross itself', `sides ${crossing[0] + 1} and ${crossing[1] + 1}`);
	const turning = 2 * outlineAreaM2(feet);
	if (!(turning > flat)) check.fail('footprintM', 'must go counter-clockwise round some area', turning / 2);

	const corners = hullOf(feet);
	let [areaM2, cx, cy] = [0, 0, 0];
	corners.forEach(([x, y], index) => {
		const [nextX, nextY] = corners[(index + 1) % corners.length]!;
		const part = x * nextY - nextX * y;
		areaM2 += part / 2;
		cx += ((x + nextX) * part) / 6;
		cy += ((y + nextY) * part) / 6;
	});
	const centroidM: Point = [cx / areaM2, cy / areaM2];
	const edges = corners.map((from, index): FootprintEdge => {
		const to = corners[(index + 1) % corners.length]!;
		const length = Math.hypot(to[0] - from[0], to[1] - from[1]);
		const inward: Point = [-(to[1] - from[1]) / length, (to[0] - from[0]) / length];
		return { from, inward, centroidM: (centroidM[0] - from[0]) * inward[0] + (centroidM[1] - from[1]) * inward[1] };
	});
	return { feet, edges, centroidM, areaM2 };
}

/** The feet themselves where they are convex already, from the first on; else those on the hull, in their order. */
function hullOf(feet: readonly Point[]): Point[] {
	let corners = [...feet];
	for (let changed = true; changed && corners.length > 3;) {
		changed = false;
		for (let index = 0; index < corners.length; index += 1) {
			const [a, b, c] = [
				corners[(index + corners.length - 1) % corners.length]!,
				corners[index]!,
				corners[(index + 1) % corners.length]!
			];
			if (cornerTurn(a, b, c) > flat) continue;
			corners = corners.filter((_, each) => each !== index);
			changed = true;
			break;
		}
	}
	return corners;
}
