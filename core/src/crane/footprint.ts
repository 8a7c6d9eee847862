import { polygonCentroid, polygonHull } from 'd3-polygon';
import { checksFor } from '../input';
import type { Point } from '../venue/point';
import { crossingSides, outlineAreaM2 } from '../venue/outline';

/** One side of a base's footprint, from foot to foot, counter-clockwise seen from above. */
interface FootprintEdge {
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

/** An outline round no more than half of this is none, m². */
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
	const centroidM: Point = polygonCentroid(corners);
	const edges = corners.map((from, index): FootprintEdge => {
		const to = corners[(index + 1) % corners.length]!;
		const length = Math.hypot(to[0] - from[0], to[1] - from[1]);
		const inward: Point = [-(to[1] - from[1]) / length, (to[0] - from[0]) / length];
		return { from, inward, centroidM: (centroidM[0] - from[0]) * inward[0] + (centroidM[1] - from[1]) * inward[1] };
	});
	return { feet, edges, centroidM, areaM2: outlineAreaM2(corners) };
}

/** The feet on the convex hull, in the order they were given, counter-clockwise. */
function hullOf(feet: readonly Point[]): [number, number][] {
	const onHull = new Set<readonly [number, number]>(polygonHull(feet as [number, number][]));
	return feet.filter((foot) => onHull.has(foot)).map(([x, y]) => [x, y]);
}
