import { checksFor } from '../input';
import { type Body, type Inertia, subtract, type Vec3, zeroInertia } from './body';

/** Several bodies as one: `cgM` in the frame of the parts, `inertiaKgM2` about the combined centre of gravity. */
export interface CombinedBody {
	readonly massKg: number;
	readonly cgM: Vec3;
	readonly inertiaKgM2: Inertia;
}

/**
 * The one rigid body that several bodies make.
 *
 * All bodies share one right-handed frame, metres and kilograms; each body's inertia is about its own centre of
 * gravity, parallel to that frame. The result's inertia is about the combined centre, parallel to the same frame.
 *
 * Throws `PhysicsInputError` for an empty list, a negative mass, a total of nothing, or a number that is not finite.
 *
 * `c = Σ m r / Σ m`, and with `d = r − c` the parallel-axis theorem adds to each body's own
 * `xx += m (d_y² + d_z²)` and `xz += m d_x d_z`, and so on round the axes.
 *
 * @example
 * const pair = combineBodies({ bodies: [{ massKg: 1, cgM: [0, 0, 0] }, { massKg: 3, cgM: [0.4, 0, 0] }] });
 * pair.cgM[0]; // 0.3
 * pair.inertiaKgM2.zz; // 0.12
 */
export function combineBodies({ bodies }: { readonly bodies: readonly Body[] }): CombinedBody {
	const check = checksFor('combineBodies');
	check.list('bodies', bodies).forEach((body, index) => check.body(`bodies[${index}]`, body));

	let massKg = 0;
	const firstMoment: [number, number, number] = [0, 0, 0];
	for (const body of bodies) {
		massKg += body.massKg;
		for (const axis of [0, 1, 2] as const) firstMoment[axis] += body.massKg * body.cgM[axis];
	}
	if (!(massKg > 0)) check.fail('bodies', 'must have some mass between them', massKg);
	const cgM: Vec3 = [firstMoment[0] / massKg, firstMoment[1] / massKg, firstMoment[2] / massKg];

	const total = { ...zeroInertia } as { -readonly [field in keyof Inertia]: number };
	for (const body of bodies) {
		const own = body.inertiaKgM2 ?? zeroInertia;
		const m = body.massKg;
		const [x, y, z] = subtract(body.cgM, cgM);
		total.xx += own.xx + m * (y * y + z * z);
		total.yy += own.yy + m * (z * z + x * x);
		total.zz += own.zz + m * (x * x + y * y);
		total.xy += own.xy + m * x * y;
		total.xz += own.xz + m * x * z;
		total.yz += own.yz + m * y * z;
	}
	return { massKg, cgM, inertiaKgM2: total };
}
