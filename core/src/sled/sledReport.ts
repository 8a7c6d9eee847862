import { checksFor } from '../input';
import type { Vec3 } from '../mass/body';
import { dropTime } from './dropTime';
import { type Sled, sledTotals } from './sled';

export interface SledReport {
	readonly massKg: number;
	readonly cgM: Vec3;
	/** Gimbal above the centre of gravity; negative: top-heavy. */
	readonly dropHeightM: number;
	readonly staticOffsetM: { readonly fore: number; readonly side: number };
	/** Once balanced, let go with the post horizontal, to first pass vertical; null: top-heavy. */
	readonly dropTimeS: { readonly fore: number | null; readonly side: number | null };
	/** Products and principal-axis leans about the centre of gravity. */
	readonly dynamic: {
		readonly xzKgM2: number;
		readonly yzKgM2: number;
		readonly foreLeanRad: number;
		readonly sideLeanRad: number;
	};
	/** About the gimbal, the static offsets included. */
	readonly panInertiaKgM2: number;
	readonly tiltInertiaKgM2: number;
	readonly rollInertiaKgM2: number;
}

/**
 * Everything a sled operator feels, from its parts: static balance, drop time, dynamic balance, inertias.
 *
 * Sled frame: x forward, y to the camera's left, z up the post; kg, m, s, rad. Throws `PhysicsInputError` for a sled without
 * parts or mass, a negative mass, doubled ids or a number that is not finite.
 *
 * Parallel-axis theorem throughout. The spin axis of a body is free of wobble when the products of inertia with it vanish;
 * `foreLeanRad` is how far the principal axis nearest the post leans forward of it, see {@link principalLean}.
 *
 * @example
 * const bob = { id: 'bob', body: { massKg: 2, cgM: [0.01, 0, 0.4] } };
 * sledReport({ sled: { parts: [bob], gimbalHeightM: 0.45 } }).dropHeightM; // 0.05
 */
export function sledReport({ sled }: { readonly sled: Sled }): SledReport {
	const { massKg, cgM, inertiaKgM2, dropHeightM } = sledTotals('sledReport', sled);
	const { xx, yy, zz, xz, yz } = inertiaKgM2;
	const [x, y] = cgM;
	const lift = massKg * dropHeightM * dropHeightM;
	return {
		massKg,
		cgM,
		dropHeightM,
		staticOffsetM: { fore: x, side: y },
		dropTimeS: { fore: dropTime(massKg, yy, dropHeightM), side: dropTime(massKg, xx, dropHeightM) },
		dynamic: {
			xzKgM2: xz,
			yzKgM2: yz,
			foreLeanRad: principalLean(xz, xx - zz),
			sideLeanRad: principalLean(yz, yy - zz)
		},
		panInertiaKgM2: zz + massKg * (x * x + y * y),
		tiltInertiaKgM2: yy + lift + massKg * x * x,
		rollInertiaKgM2: xx + lift + massKg * y * y
	};
}

/**
 * Lean of the principal axis from the post, in one plane: `½ atan(2 P/(C − A))` with the product `P = Σ m x z`,
 * `A = Σ m x²` and `C = Σ m z²`. For C > A it is the axis nearest the post; at C = A, ±π/4 by the sign of P.
 */
export function principalLean(productKgM2: number, lengthwiseKgM2: number): number {
	const check = checksFor('principalLean');
	check.number('productKgM2', productKgM2);
	check.number('lengthwiseKgM2', lengthwiseKgM2);
	if (lengthwiseKgM2 === 0) return (Math.sign(productKgM2) * Math.PI) / 4;
	return Math.atan((2 * productKgM2) / lengthwiseKgM2) / 2;
}
