import { checksFor } from '../input';

/**
 * Where the centre of gravity lies, from where a free tilt axis comes to rest, and how far to slide: at rest it hangs
 * straight below the axis.
 *
 * `offsetM` is its distance from the axis (from a swing, say), at least 0; `restAngleRad` the angle at which the payload
 * rests, nose-up positive, between −π and π. Results in the payload's frame, metres forward and up; `slideForwardM` and
 * `slideUpM` are the moves that bring it onto the axis. For roll put left for forward and clockwise for nose-up: with
 * rest angle ρ, y = −r sin ρ and z = −r cos ρ. Throws `PhysicsInputError` for an offset or angle without sense.
 *
 * Friction blurs the rest angle by up to ±asin(holding band / offset): let it settle from both sides and take the mean.
 *
 * Nose up by φ turns the payload's forward axis up; what hangs straight down then lies at `(−r sin φ, −r cos φ)`.
 *
 * @example
 * offsetFromRest({ offsetM: 0.02, restAngleRad: -Math.PI / 2 }).forwardM; // 0.02
 */
export function offsetFromRest(input: { readonly offsetM: number; readonly restAngleRad: number }): {
	readonly forwardM: number;
	readonly upM: number;
	readonly slideForwardM: number;
	readonly slideUpM: number;
} {
	const check = checksFor('offsetFromRest');
	const offsetM = check.atLeastZero('offsetM', input.offsetM);
	const restAngleRad = check.number('restAngleRad', input.restAngleRad);
	if (Math.abs(restAngleRad) > Math.PI) check.fail('restAngleRad', 'must be between −π and π', restAngleRad);
	const forwardM = -offsetM * Math.sin(restAngleRad);
	const upM = -offsetM * Math.cos(restAngleRad);
	return { forwardM, upM, slideForwardM: -forwardM, slideUpM: -upM };
}
