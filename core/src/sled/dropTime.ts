import { checksFor } from '../input';
import { standardGravityMPerS2 } from '../mass/body';
import { ellipticK } from '../numeric/ellipticK';
import { planeOf, type Sled, type SledPlane, sledTotals } from './sled';

/** K(sin π/4) = 1.854074677…: the exact pendulum let go at a right angle. */
export const dropConstant = ellipticK(Math.SQRT1_2);

/**
 * Time to first pass vertical, let go at rest with the post horizontal; null with the centre of gravity at or above the
 * gimbal. `inertiaCgKgM2` about the centre of gravity across the fall; friction left out. `T = K √((I + m h²)/(m g h))`.
 */
export const dropTime = (massKg: number, inertiaCgKgM2: number, dropHeightM: number): number | null =>
	dropHeightM > 0
		? dropConstant *
			Math.sqrt((inertiaCgKgM2 + massKg * dropHeightM * dropHeightM) / (massKg * standardGravityMPerS2 * dropHeightM))
		: null;

export type GimbalHeight =
	| {
			readonly feasible: true;
			readonly gimbalHeightM: number;
			/** Gimbal above the centre of gravity: the smaller of the two that fall so long. */
			readonly dropHeightM: number;
			/** The larger: a sled hung from far above. Infinite only in the limit; never of use on a post. */
			readonly otherDropHeightM: number;
			readonly shortestDropTimeS: number;
	  }
	| {
			readonly feasible: false;
			/** No height falls faster. */
			readonly shortestDropTimeS: number;
			/** The drop height that does: the radius of gyration. */
			readonly fastestDropHeightM: number;
	  };

/** A time within this share of the shortest is the shortest: rounding, not a fall that cannot be. */
const shortestSlack = 1e-12;

/**
 * The gimbal height on the post, metres from its foot, at which the sled takes `dropTimeS` seconds to fall in that plane.
 *
 * The static offsets are left out: the sled as it will be once balanced. A time that no height gives is an answer:
 * `feasible: false` with the shortest there is. Throws `PhysicsInputError` for a sled or time without sense.
 *
 * `T² m g h = K² (I + m h²)`: with `q = g (T/K)²`, `h² − q h + I/m = 0`; the smaller root as `(I/m)/larger`, which keeps its
 * digits. The shortest time, `K √(2 k/g)`, is at h = k, the radius of gyration.
 *
 * @example
 * const post = { id: 'post', body: { massKg: 2, cgM: [0, 0, 0.4], inertiaKgM2: { xx: 0.5, yy: 0.5, zz: 0, xy: 0, xz: 0, yz: 0 } } };
 * gimbalHeightForDropTime({ sled: { parts: [post], gimbalHeightM: 0.5 }, dropTimeS: 0.1, plane: 'fore' }).fastestDropHeightM; // 0.5
 */
export function gimbalHeightForDropTime(input: {
	readonly sled: Sled;
	readonly dropTimeS: number;
	readonly plane: SledPlane;
}): GimbalHeight {
	const check = checksFor('gimbalHeightForDropTime');
	const { massKg, cgM, inertiaKgM2 } = sledTotals('gimbalHeightForDropTime', input.sled);
	const dropTimeS = check.positive('dropTimeS', input.dropTimeS);
	if (!(input.plane in planeOf)) check.fail('plane', "must be 'fore' or 'side'", input.plane);

	const gyrationSquaredM2 = inertiaKgM2[planeOf[input.plane].own] / massKg;
	const gyrationM = Math.sqrt(gyrationSquaredM2);
	const shortestDropTimeS = dropConstant * Math.sqrt((2 * gyrationM) / standardGravityMPerS2);
	if (dropTimeS < shortestDropTimeS * (1 - shortestSlack))
		return { feasible: false, shortestDropTimeS, fastestDropHeightM: gyrationM };
	const q = standardGravityMPerS2 * (dropTimeS / dropConstant) ** 2;
	const larger = (q + Math.sqrt(Math.max(0, q * q - 4 * gyrationSquaredM2))) / 2;
	// A point mass falls so only at the one distance.
	const dropHeightM = gyrationM === 0 ? larger : gyrationSquaredM2 / larger;
	return {
		feasible: true,
		gimbalHeightM: cgM[2] + dropHeightM,
		dropHeightM,
		otherDropHeightM: larger,
		shortestDropTimeS
	};
}
