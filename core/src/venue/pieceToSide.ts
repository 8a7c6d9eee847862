import type { Vec3 } from '../mass/body';
import type { Point } from './point';

/** Between a piece and a side as the plan shows them, squared; 0 where they cross. */
export function planSquare(a: Vec3, b: Vec3, from: Point, to: Point): number {
	const [ux, uy] = [b[0] - a[0], b[1] - a[1]];
	const [vx, vy] = [to[0] - from[0], to[1] - from[1]];
	const [wx, wy] = [from[0] - a[0], from[1] - a[1]];
	const cross = ux * vy - uy * vx;
	if (cross !== 0) {
		const [t, s] = [(wx * vy - wy * vx) / cross, (wx * uy - wy * ux) / cross];
		if (t >= 0 && t <= 1 && s >= 0 && s <= 1) return 0;
	}
	// Where they do not cross, an end of one of them is nearest.
	const [uu, vv] = [ux * ux + uy * uy, vx * vx + vy * vy];
	return Math.min(
		endSquare(-wx, -wy, vx, vy, vv),
		endSquare(ux - wx, uy - wy, vx, vy, vv),
		endSquare(wx, wy, ux, uy, uu),
		endSquare(wx + vx, wy + vy, ux, uy, uu)
	);
}
/** From a point (x, y) off a line's beginning to the line along (vx, vy), `vv` its length squared; squared. */
function endSquare(x: number, y: number, vx: number, vy: number, vv: number): number {
	const along = vv > 0 ? clamped((x * vx + y * vy) / vv) : 0;
	const [ex, ey] = [x - along * vx, y - along * vy];
	return ex * ex + ey * ey;
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

/** From a piece to an upright rectangle: by its ends, by the rectangle's edges, or through it. */
export function pieceToSide(a: Vec3, b: Vec3, from: Point, to: Point, bottom: number, top: number): number {
	let least = pointToSide(a, from, to, bottom, top);
	if (a[0] === b[0] && a[1] === b[1] && a[2] === b[2]) return least;
	least = Math.min(least, pointToSide(b, from, to, bottom, top));
	if (least === 0 || goesThrough(a, b, from, to, bottom, top)) return 0;
	const ends = [from, to] as const;
	for (const end of ends) {
		corner[0] = other[0] = end[0];
		corner[1] = other[1] = end[1];
		corner[2] = bottom;
		other[2] = top;
		least = Math.min(least, pieceToPiece(a, b, corner, other));
	}
	corner[0] = from[0];
	corner[1] = from[1];
	for (const height of [bottom, top]) {
		corner[2] = other[2] = height;
		least = Math.min(least, pieceToPiece(a, b, corner, other));
	}
	return least;
}
/** Ends of the edge that is looked at: written anew for each, kept by nobody. */
const [corner, other]: readonly [[number, number, number], [number, number, number]] = [
	[0, 0, 0],
	[0, 0, 0]
];

function goesThrough(a: Vec3, b: Vec3, from: Point, to: Point, bottom: number, top: number): boolean {
	const [dx, dy] = [to[0] - from[0], to[1] - from[1]];
	const side = (p: Vec3) => dx * (p[1] - from[1]) - dy * (p[0] - from[0]);
	const [one, two] = [side(a), side(b)];
	if (one === two || one * two > 0) return false;
	const t = one / (one - two);
	const z = a[2] + t * (b[2] - a[2]);
	if (z < bottom || z > top) return false;
	const along = (a[0] + t * (b[0] - a[0]) - from[0]) * dx + (a[1] + t * (b[1] - a[1]) - from[1]) * dy;
	return along >= 0 && along <= dx * dx + dy * dy;
}

/** Between two straight pieces, either of which may be a point: each is clamped to where the other is nearest. */
function pieceToPiece(a: Vec3, b: Vec3, c: Vec3, d: Vec3): number {
	const ux = b[0] - a[0];
	const uy = b[1] - a[1];
	const uz = b[2] - a[2];
	const vx = d[0] - c[0];
	const vy = d[1] - c[1];
	const vz = d[2] - c[2];
	const wx = a[0] - c[0];
	const wy = a[1] - c[1];
	const wz = a[2] - c[2];
	const uu = ux * ux + uy * uy + uz * uz;
	const vv = vx * vx + vy * vy + vz * vz;
	const uv = ux * vx + uy * vy + uz * vz;
	const uw = ux * wx + uy * wy + uz * wz;
	const vw = vx * wx + vy * wy + vz * wz;
	const square = uu * vv - uv * uv;
	// Beside one another as good as parallel any place of the first will do: the second is clamped to it, and then the first anew.
	const first = square > 1e-12 * uu * vv ? clamped((uv * vw - vv * uw) / square) : 0;
	const t = vv > 0 ? clamped((uv * first + vw) / vv) : 0;
	const s = uu > 0 ? clamped((uv * t - uw) / uu) : 0;
	const ex = wx + s * ux - t * vx;
	const ey = wy + s * uy - t * vy;
	const ez = wz + s * uz - t * vz;
	return Math.sqrt(ex * ex + ey * ey + ez * ez);
}
const clamped = (at: number): number => (at < 0 ? 0 : at > 1 ? 1 : at);
