import { polygonContains } from 'd3-polygon';
import type { Point } from './point';
import { checksFor } from '../input';
import type { Vec3 } from '../mass/body';

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
 * To each side of the prism (a convex upright rectangle) the distance along the piece is convex, so a golden-section
 * search finds its least; over the inside only the height counts, and that is linear.
 *
 * @example
 * prismDistance({ aM: [0, 0, 3], bM: [2, 0, 3], prism: { id: 'box', outlineM: [[1, -1], [3, -1], [3, 1], [1, 1]], closed: true, bottomM: 0, topM: 2 } }); // 1
 */
export function prismDistance(input: { readonly aM: Vec3; readonly bM: Vec3; readonly prism: Prism }): number {
	const check = checksFor('prismDistance');
	checkPrisms('prismDistance', [input.prism]);
	return pieceToPrism(check.vector('aM', input.aM), check.vector('bM', input.bM), input.prism, Infinity);
}

/** As {@link prismDistance}, without checks; stops looking where nothing can come under `enough`. */
export function pieceToPrism(
	a: Vec3,
	b: Vec3,
	{ outlineM, holesM = [], closed, bottomM, topM }: Prism,
	enough: number
): number {
	let least = closed ? overInside(a, b, [outlineM, ...holesM], bottomM, topM) : Infinity;
	const middle: Vec3 = [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2, (a[2] + b[2]) / 2];
	const half = Math.hypot(b[0] - a[0], b[1] - a[1], b[2] - a[2]) / 2;
	for (const ring of [outlineM, ...holesM]) {
		const last = closed ? ring.length : ring.length - 1;
		for (let index = 0; index < last && least > 0; index += 1) {
			const [from, to] = [ring[index]!, ring[(index + 1) % ring.length]!];
			const nearest = pointToSide(middle, from, to, bottomM, topM) - half;
			if (nearest >= Math.min(least, enough)) continue;
			least = Math.min(least, pieceToSide(a, b, from, to, bottomM, topM));
		}
	}
	return least;
}

/** From a point to an upright rectangle on the line from `from` to `to`. */
function pointToSide(point: Vec3, from: Point, to: Point, bottom: number, top: number): number {
	const [dx, dy] = [to[0] - from[0], to[1] - from[1]];
	const square = dx * dx + dy * dy;
	const along =
		square === 0 ? 0 : Math.min(1, Math.max(0, ((point[0] - from[0]) * dx + (point[1] - from[1]) * dy) / square));
	const [ex, ey] = [point[0] - from[0] - along * dx, point[1] - from[1] - along * dy];
	const ez = point[2] > top ? point[2] - top : point[2] < bottom ? bottom - point[2] : 0;
	return Math.sqrt(ex * ex + ey * ey + ez * ez);
}

const golden = (Math.sqrt(5) - 1) / 2;

function pieceToSide(a: Vec3, b: Vec3, from: Point, to: Point, bottom: number, top: number): number {
	const at = (t: number) =>
		pointToSide([a[0] + t * (b[0] - a[0]), a[1] + t * (b[1] - a[1]), a[2] + t * (b[2] - a[2])], from, to, bottom, top);
	let [low, high] = [0, 1];
	let [one, two] = [1 - golden, golden];
	let [atOne, atTwo] = [at(one), at(two)];
	// About its least the distance is flat or a parabola: a hundredth of a millimetre along is far less across.
	const length = Math.hypot(b[0] - a[0], b[1] - a[1], b[2] - a[2]);
	while ((high - low) * length > 1e-5) {
		if (atOne <= atTwo) {
			[high, two, atTwo] = [two, one, atOne];
			one = high - golden * (high - low);
			atOne = at(one);
		} else {
			[low, one, atOne] = [one, two, atTwo];
			two = low + golden * (high - low);
			atTwo = at(two);
		}
	}
	return Math.min(at(0), at(1), atOne, atTwo);
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
