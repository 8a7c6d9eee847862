import type { Checks } from '../input';
import type { Vec3 } from '../mass/body';

/** Three turns of a base in this order: heading about z counter-clockwise, tilt nose up, roll clockwise from behind. */
export interface Attitude {
	readonly headingRad: number;
	readonly tiltRad: number;
	readonly rollRad: number;
}

/** A turn as its columns: where its own x, y and z point. */
export type Axes3 = readonly [forward: Vec3, left: Vec3, up: Vec3];

/** `Rz(heading)·Ry(−tilt)·Rx(roll)`. */
export function turnOfBase({ headingRad, tiltRad, rollRad }: Attitude): Axes3 {
	const [ch, sh] = [Math.cos(headingRad), Math.sin(headingRad)];
	const [ct, st] = [Math.cos(tiltRad), Math.sin(tiltRad)];
	const [cr, sr] = [Math.cos(rollRad), Math.sin(rollRad)];
	const level: Vec3 = [-sh, ch, 0];
	const upright: Vec3 = [-ch * st, -sh * st, ct];
	return [
		[ch * ct, sh * ct, st],
		[cr * level[0] + sr * upright[0], cr * level[1] + sr * upright[1], sr * upright[2]],
		[cr * upright[0] - sr * level[0], cr * upright[1] - sr * level[1], cr * upright[2]]
	];
}

/** A vector of the turned frame, in the frame that it was turned in. */
export const outOf = ([x, y, z]: Axes3, [a, b, c]: Vec3): Vec3 => [
	a * x[0] + b * y[0] + c * z[0],
	a * x[1] + b * y[1] + c * z[1],
	a * x[2] + b * y[2] + c * z[2]
];
/** A vector of the outer frame, in the turned one. */
export const into = ([x, y, z]: Axes3, v: Vec3): Vec3 => [dot3(x, v), dot3(y, v), dot3(z, v)];
/** One turn after another: the second within the first. */
export const turnedBy = (outer: Axes3, inner: Axes3): Axes3 => [
	outOf(outer, inner[0]),
	outOf(outer, inner[1]),
	outOf(outer, inner[2])
];
const dot3 = (a: Vec3, b: Vec3) => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];

export const noTurn: Attitude = { headingRad: 0, tiltRad: 0, rollRad: 0 };

export function checkAttitude(check: Checks, path: string, attitude: Attitude): Attitude {
	if (typeof attitude !== 'object' || attitude === null) check.fail(path, 'must be an attitude', attitude);
	return {
		headingRad: check.number(`${path}.headingRad`, attitude.headingRad),
		tiltRad: check.number(`${path}.tiltRad`, attitude.tiltRad),
		rollRad: check.number(`${path}.rollRad`, attitude.rollRad)
	};
}

/** The same angle in (−π, π]. */
export function wrapped(angle: number): number {
	const turned = angle - 2 * Math.PI * Math.round(angle / (2 * Math.PI));
	return turned <= -Math.PI ? Math.PI : turned;
}

/** Nearer than this to half a turn there is no short way: either is as long. */
const halfTurnRad = Math.PI - 1e-9;
/** By how much to go on from one angle to another the short way round; exactly half a turn goes the way the values say. */
export function shortWay(from: number, to: number): number {
	const turn = wrapped(to - from);
	return Math.abs(turn) >= halfTurnRad ? Math.sign(to - from) * Math.abs(turn) : turn;
}
