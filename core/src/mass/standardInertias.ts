import { checksFor } from '../input';
import { type Inertia, type Vec3, zeroInertia } from './body';

type Axis = 'x' | 'y' | 'z';

/**
 * Inertia of a uniform solid box about its centre, kg·m².
 *
 * `sizeM` are the full edges along x, y and z in metres, each at least 0 (a zero edge is a thin sheet).
 * Throws `PhysicsInputError` for a negative mass or edge. `xx = m (y² + z²) / 12`: the integral of y² over an edge b is b²/12.
 *
 * @example boxInertia({ massKg: 12, sizeM: [1, 2, 3] }).xx; // 13
 */
export function boxInertia({ massKg, sizeM }: { readonly massKg: number; readonly sizeM: Vec3 }): Inertia {
	const check = checksFor('boxInertia');
	check.atLeastZero('massKg', massKg);
	const [x, y, z] = check.vector('sizeM', sizeM);
	sizeM.forEach((edge, index) => check.atLeastZero(`sizeM[${index}]`, edge));
	const about = (a: number, b: number) => (massKg * (a * a + b * b)) / 12;
	return { ...zeroInertia, xx: about(y, z), yy: about(z, x), zz: about(x, y) };
}

/**
 * Inertia of a uniform solid cylinder about its centre, kg·m², its length along `axis`.
 *
 * Throws `PhysicsInputError` for a negative mass, radius or length. Along its axis `m r²/2`; across it
 * `m (3 r² + l²)/12` (a stack of discs by the parallel-axis theorem).
 *
 * @example cylinderInertia({ massKg: 2, radiusM: 1, lengthM: 0, axis: 'x' }).xx; // 1
 */
export function cylinderInertia(input: {
	readonly massKg: number;
	readonly radiusM: number;
	readonly lengthM: number;
	readonly axis: Axis;
}): Inertia {
	const check = checksFor('cylinderInertia');
	const massKg = check.atLeastZero('massKg', input.massKg);
	const radiusM = check.atLeastZero('radiusM', input.radiusM);
	const lengthM = check.atLeastZero('lengthM', input.lengthM);
	const along = (massKg * radiusM * radiusM) / 2;
	const across = (massKg * (3 * radiusM * radiusM + lengthM * lengthM)) / 12;
	return aroundAxis('cylinderInertia', input.axis, along, across);
}

/**
 * Inertia of a thin uniform rod about its middle, kg·m²: `m l²/12` across it, nothing about its own length.
 *
 * Throws `PhysicsInputError` for a negative mass or length.
 *
 * @example rodInertia({ massKg: 3, lengthM: 2, axis: 'y' }).xx; // 1
 */
export function rodInertia(input: { readonly massKg: number; readonly lengthM: number; readonly axis: Axis }): Inertia {
	const check = checksFor('rodInertia');
	const massKg = check.atLeastZero('massKg', input.massKg);
	const lengthM = check.atLeastZero('lengthM', input.lengthM);
	return aroundAxis('rodInertia', input.axis, 0, (massKg * lengthM * lengthM) / 12);
}

function aroundAxis(call: string, axis: Axis, along: number, across: number): Inertia {
	if (axis !== 'x' && axis !== 'y' && axis !== 'z') checksFor(call).fail('axis', "must be 'x', 'y' or 'z'", axis);
	return {
		...zeroInertia,
		xx: axis === 'x' ? along : across,
		yy: axis === 'y' ? along : across,
		zz: axis === 'z' ? along : across
	};
}
