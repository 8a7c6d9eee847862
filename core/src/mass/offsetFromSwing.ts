import { checksFor } from '../input';
import { ellipticK } from '../numeric/ellipticK';
import { standardGravityMPerS2 } from './body';

export type SwingOffset =
	| {
			readonly feasible: true;
			/** Distance of the centre of gravity from the axis: the smaller of the two that swing so. */
			readonly offsetM: number;
			/** The larger; null for a point mass, which has only one. */
			readonly otherOffsetM: number | null;
			readonly shortestPeriodS: number;
	  }
	| {
			readonly feasible: false;
			/** No offset swings faster than this at that amplitude. */
			readonly shortestPeriodS: number;
			/** The offset that does: the radius of gyration. */
			readonly fastestOffsetM: number;
	  };

/** A period within this share of the shortest is the shortest: rounding, not a swing that cannot be. */
const shortestSlack = 1e-12;

/**
 * How far a body's centre of gravity lies from the free horizontal axis it swings on.
 *
 * `periodS` is the full swing there and back, `amplitudeRad` how far it goes to each side, between 0 and π. `massKg` is
 * all that swings, `inertiaCgKgM2` its inertia about its own centre of gravity, parallel to the axis (0: a point mass).
 * A swing that no offset gives is an answer: `feasible: false` and the shortest period there is. Throws
 * `PhysicsInputError` for a mass, period or amplitude without sense. Friction and air are left out: let it swing freely.
 *
 * `T = 4 K(k) √((I + m r²)/(m g r))` with `k = sin(θ₀/2)` (the exact pendulum). With `q = g (T/4K)²` this is
 * `r² − q r + I/m = 0`; the smaller root is computed as `(I/m)/larger`, which keeps its digits.
 *
 * @example
 * offsetFromSwing({ massKg: 2, inertiaCgKgM2: 0, periodS: 2 * Math.PI, amplitudeRad: 1e-9 }).offsetM; // 9.80665
 */
export function offsetFromSwing(input: {
	readonly massKg: number;
	readonly inertiaCgKgM2: number;
	readonly periodS: number;
	readonly amplitudeRad: number;
}): SwingOffset {
	const check = checksFor('offsetFromSwing');
	const massKg = check.positive('massKg', input.massKg);
	const inertiaCgKgM2 = check.atLeastZero('inertiaCgKgM2', input.inertiaCgKgM2);
	const periodS = check.positive('periodS', input.periodS);
	const amplitudeRad = check.positive('amplitudeRad', input.amplitudeRad);
	if (amplitudeRad >= Math.PI) check.fail('amplitudeRad', 'must be less than π', amplitudeRad);

	const quarter = ellipticK(Math.sin(amplitudeRad / 2));
	const gyrationM = Math.sqrt(inertiaCgKgM2 / massKg);
	const shortestPeriodS = 4 * quarter * Math.sqrt((2 * gyrationM) / standardGravityMPerS2);
	if (periodS < shortestPeriodS * (1 - shortestSlack))
		return { feasible: false, shortestPeriodS, fastestOffsetM: gyrationM };

	const q = standardGravityMPerS2 * (periodS / (4 * quarter)) ** 2;
	const larger = (q + Math.sqrt(Math.max(0, q * q - 4 * gyrationM * gyrationM))) / 2;
	if (gyrationM === 0) return { feasible: true, offsetM: q, otherOffsetM: null, shortestPeriodS };
	return { feasible: true, offsetM: (gyrationM * gyrationM) / larger, otherOffsetM: larger, shortestPeriodS };
}
