import { polygonContains } from 'd3-polygon';
import type { Point } from './point';
import { checksFor } from '../input';
import type { Vec3 } from '../mass/body';
import { pieceToSide, planSquare } from './pieceToSide';

/** Something upright in a venue: an outline in plan, between two heights above the floor. Metres, plan frame. */
export interface Prism {
	readonly id: string;
	readonly outlineM: readonly Point[];
	/** Areas within the outline that are open, such as a court; only of an area, and none crosses another. */
	readonly holesM?: readonly (readonly Point[])[];
	/** An area, whatever its outline's sense; false: only the upright sheet along the line, as of a wall or a wire. */
	readonly closed: boolean;
	readonly bottomM: number;
	readonly topM: number;
}

/** Checks prisms at the door of `call`: two points or more (three round an area), the top not under the bottom. */
export function checkPrisms(call: string, prisms: readonly Prism[]): void {
	const check = checksFor(call);
	prisms.forEach(({ outlineM, holesM = [], closed, bottomM, topM }, index) => {
		const at = `shapes[${index}]`;
		const ring = (path: string, points: readonly Point[], least: number) => {
			if (points.length < least) check.fail(path, `must have at least ${least} points`, points.length);
			points.forEach(([x, y], corner) => {
				check.number(`${path}[${corner}][0]`, x);
				check.number(`${path}[${corner}][1]`, y);
			});
		};
		ring(`${at}.outlineM`, outlineM, closed ? 3 : 2);
		if (!closed && holesM.length > 0)
			check.fail(`${at}.holesM`, 'must be absent where nothing is enclosed', holesM.length);
		holesM.forEach((hole, k) => ring(`${at}.holesM[${k}]`, hole, 3));
		check.number(`${at}.bottomM`, bottomM);
		check.number(`${at}.topM`, topM);
		if (!(topM >= bottomM)) check.fail(`${at}.topM`, 'must be at least bottomM', topM);
	});
}

/**
 * Distance from a straight piece of something to a prism, metres; 0 where they touch or cross.
 *
 * `aM` and `bM` are its ends, plan frame with z up from the floor; the same twice makes a point. Throws
 * `PhysicsInputError` for an outline too short or heights upside down.
 *
 * Each side of the prism is an upright rectangle. What is nearest on a straight piece and a rectangle is an end of the piece, or lies
 * on an edge of the rectangle, or is where the piece goes through it; over the inside only the height counts, and that is linear.
 *
 * @example
 * prismDistance({ aM: [0, 0, 3], bM: [2, 0, 3], prism: { id: 'box', outlineM: [[1, -1], [3, -1], [3, 1], [1, 1]], closed: true, bottomM: 0, topM: 2 } }); // 1
 */
export function prismDistance(input: { readonly aM: Vec3; readonly bM: Vec3; readonly prism: Prism }): number {
	const check = checksFor('prismDistance');
	checkPrisms('prismDistance', [input.prism]);
	return pieceToPrism(check.vector('aM', input.aM), check.vector('bM', input.bM), input.prism, Infinity);
}

/** As {@link prismDistance}, without checks; from `enough` on it may be anything that is no less. */
export function pieceToPrism(a: Vec3, b: Vec3, prism: Prism, enough: number, extent = extentOf(prism)): number {
	const { outlineM, holesM = [], closed, bottomM, topM } = prism;
	const west = Math.min(a[0], b[0]);
	const east = Math.max(a[0], b[0]);
	const south = Math.min(a[1], b[1]);
	const north = Math.max(a[1], b[1]);
	const aside = gap(Math.min(a[2], b[2]), Math.max(a[2], b[2]), bottomM, topM);
	const ex = gap(west, east, extent[0], extent[1]);
	const ey = gap(south, north, extent[2], extent[3]);
	const apart = Math.sqrt(ex * ex + ey * ey + aside * aside);
	if (apart >= enough) return apart;
	let least = closed && ex === 0 && ey === 0 ? overInside(a, b, [outlineM, ...holesM], bottomM, topM) : Infinity;
	for (const ring of holesM.length === 0 ? [outlineM] : [outlineM, ...holesM]) {
		const last = closed ? ring.length : ring.length - 1;
		for (let index = 0; index < last && least > 0; index += 1) {
			const from = ring[index]!;
			const to = ring[index + 1 === ring.length ? 0 : index + 1]!;
			const sx = gap(west, east, Math.min(from[0], to[0]), Math.max(from[0], to[0]));
			const sy = gap(south, north, Math.min(from[1], to[1]), Math.max(from[1], to[1]));
			// Compared squared: of most sides no more is asked.
			const under = Math.min(least, enough);
			if (sx * sx + sy * sy + aside * aside >= under * under) continue;
			const plan = planSquare(a, b, from, to);
			if (plan + aside * aside >= under * under) continue;
			// Beside a side that is as low and as high as all of the piece, only the plan counts.
			const beside = a[2] >= bottomM && a[2] <= topM && b[2] >= bottomM && b[2] <= topM;
			least = Math.min(least, beside ? Math.sqrt(plan) : pieceToSide(a, b, from, to, bottomM, topM));
		}
	}
	// Sides that were passed over are no nearer than that.
	return least === Infinity ? Math.max(apart, enough) : least;
}

/** Between two stretches of a line; 0 where they meet. */
const gap = (low: number, high: number, otherLow: number, otherHigh: number): number =>
	Math.max(0, otherLow - high, low - otherHigh);

/** What a prism covers in plan, as a box. */
export type Extent = readonly [west: number, east: number, south: number, north: number];

/** Holes lie within the outline. Worked out anew each time: one that is remembered for what has changed since would call it clear. */
export function extentOf({ outlineM }: Prism): Extent {
	let [west, east, south, north] = [Infinity, -Infinity, Infinity, -Infinity];
	for (const [x, y] of outlineM) {
		west = Math.min(west, x);
		east = Math.max(east, x);
		south = Math.min(south, y);
		north = Math.max(north, y);
	}
	return [west, east, south, north];
}

/** Where a piece passes over, under or through the inside of an area: the least difference in height, else infinity. */
function overInside(a: Vec3, b: Vec3, rings: readonly (readonly Point[])[], bottom: number, top: number): number {
	const [dx, dy] = [b[0] - a[0], b[1] - a[1]];
	const cuts = [0, 1];
	for (const ring of rings)
		ring.forEach((from, index) => {
			const to = ring[(index + 1) % ring.length]!;
			const [ex, ey] = [to[0] - from[0], to[1] - from[1]];
			const cross = dx * ey - dy * ex;
			if (cross === 0) return;
			const [fx, fy] = [from[0] - a[0], from[1] - a[1]];
			const [t, s] = [(fx * ey - fy * ex) / cross, (fx * dy - fy * dx) / cross];
			if (t > 0 && t < 1 && s >= 0 && s <= 1) cuts.push(t);
		});
	cuts.sort((one, two) => one - two);
	let least = Infinity;
	for (let index = 1; index < cuts.length; index += 1) {
		const [t0, t1] = [cuts[index - 1]!, cuts[index]!];
		const middle = (t0 + t1) / 2;
		const at: Point = [a[0] + middle * dx, a[1] + middle * dy];
		if (!liesInside(at, rings[0]!) || rings.slice(1).some((hole) => liesInside(at, hole))) continue;
		const [z0, z1] = [a[2] + t0 * (b[2] - a[2]), a[2] + t1 * (b[2] - a[2])];
		least = Math.min(least, Math.max(0, bottom - Math.max(z0, z1), Math.min(z0, z1) - top));
	}
	return least;
}

/** As {@link isInside}, without checks. */
const liesInside = ([x, y]: Point, outline: readonly Point[]): boolean =>
	polygonContains(outline as [number, number][], [x, y]);

/**
 * Whether a point lies inside an outline: a ray from it crosses an odd number of sides. Throws `PhysicsInputError` for
 * numbers that are not finite, of which "outside" would be no answer.
 *
 * @example
 * Number(isInside([1, 1], [[0, 0], [2, 0], [2, 2], [0, 2]])); // 1
 */
export function isInside(point: Point, outline: readonly Point[]): boolean {
	const check = checksFor('isInside');
	for (const k of [0, 1] as const) check.number(`point[${k}]`, point[k]);
	outline.forEach((corner, index) => {
		for (const k of [0, 1] as const) check.number(`outline[${index}][${k}]`, corner[k]);
	});
	return liesInside(point, outline);
}
