import { checksFor } from '../input';
import { type Body, cross, dot, type Inertia, type Vec3 } from './body';

/** Nine direction cosines by rows: `rows[i]` is where world axis i takes its share from the body's own x, y, z. */
export type Turn = readonly [Vec3, Vec3, Vec3];

const orthonormalSlack = 1e-9;

/**
 * Quarter turns about the frame's x, then y, then z axis, and then a free turn about z, as one rotation (right-hand
 * rule). Quarter turns may be negative and must be whole; the exact cosines of a right angle are used.
 *
 * Throws `PhysicsInputError` for a quarter that is not whole or an angle that is not finite.
 *
 * @example turnOf({ quarters: [0, 0, 1], aboutUpRad: 0 })[1][0]; // 1
 */
export function turnOf(input: { readonly quarters: Vec3; readonly aboutUpRad: number }): Turn {
	const check = checksFor('turnOf');
	check.vector('quarters', input.quarters).forEach((count, axis) => {
		if (!Number.isInteger(count)) check.fail(`quarters[${axis}]`, 'must be a whole number', count);
	});
	const free = check.number('aboutUpRad', input.aboutUpRad);
	const exactCos = (count: number) => [1, 0, -1, 0][((count % 4) + 4) % 4] as number;
	const exactSin = (count: number) => [0, 1, 0, -1][((count % 4) + 4) % 4] as number;
	const [qx, qy, qz] = input.quarters;
	const x: Turn = [
		[1, 0, 0],
		[0, exactCos(qx), -exactSin(qx)],
		[0, exactSin(qx), exactCos(qx)]
	];
	const y: Turn = [
		[exactCos(qy), 0, exactSin(qy)],
		[0, 1, 0],
		[-exactSin(qy), 0, exactCos(qy)]
	];
	const aboutZ = (cosine: number, sine: number): Turn => [
		[cosine, -sine, 0],
		[sine, cosine, 0],
		[0, 0, 1]
	];
	return times(aboutZ(Math.cos(free), Math.sin(free)), times(aboutZ(exactCos(qz), exactSin(qz)), times(y, x)));
}

/** A vector of the body as it points once turned. */
export const turnVector = (turn: Turn, vector: Vec3): Vec3 => [
	dot(turn[0], vector),
	dot(turn[1], vector),
	dot(turn[2], vector)
];

/**
 * A body turned about the origin of its frame: its centre of gravity goes round, its inertia with it.
 *
 * Throws `PhysicsInputError` for a body without sense or a turn that is not a rotation. With the tensor `T` (off-diagonal
 * entries the negative products) the turned one is `R T Rᵀ`.
 *
 * @example
 * turnBody({ body: { massKg: 1, cgM: [0.1, 0, 0] }, turn: turnOf({ quarters: [0, 0, 1], aboutUpRad: 0 }) }).cgM[1]; // 0.1
 */
export function turnBody({ body, turn }: { readonly body: Body; readonly turn: Turn }): Body {
	const check = checksFor('turnBody');
	check.body('body', body);
	turn.forEach((row, index) => check.unitVector(`turn[${index}]`, row));
	if (Math.abs(dot(cross(turn[0], turn[1]), turn[2]) - 1) > orthonormalSlack)
		check.fail('turn', 'must be a rotation', turn);
	const cgM = turnVector(turn, body.cgM);
	if (body.inertiaKgM2 === undefined) return { massKg: body.massKg, cgM };
	const { xx, yy, zz, xy, xz, yz } = body.inertiaKgM2;
	const tensor: Turn = [
		[xx, -xy, -xz],
		[-xy, yy, -yz],
		[-xz, -yz, zz]
	];
	const turned = times(times(turn, tensor), transposed(turn));
	const inertiaKgM2: Inertia = {
		xx: turned[0][0],
		yy: turned[1][1],
		zz: turned[2][2],
		xy: -turned[0][1],
		xz: -turned[0][2],
		yz: -turned[1][2]
	};
	return { massKg: body.massKg, cgM, inertiaKgM2 };
}

const transposed = ([a, b, c]: Turn): Turn => [
	[a[0], b[0], c[0]],
	[a[1], b[1], c[1]],
	[a[2], b[2], c[2]]
];

function times(a: Turn, b: Turn): Turn {
	const columns = transposed(b);
	const row = (left: Vec3): Vec3 => [dot(left, columns[0]), dot(left, columns[1]), dot(left, columns[2])];
	return [row(a[0]), row(a[1]), row(a[2])];
}
