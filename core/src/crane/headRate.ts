import { checksFor } from '../input';
import { subtract, type Vec3 } from '../mass/body';

export interface HeadRate {
	/** Counter-clockwise seen from above, and up. */
	readonly panRadPerS: number;
	readonly tiltRadPerS: number;
	/** Of the distance to the subject. */
	readonly focusMPerS: number;
}

/**
 * How fast a head must turn to hold a still subject while the camera passes it.
 *
 * World frame, metres and m/s. Straight above or below the subject panning has no meaning: `panRadPerS` is then 0 and the
 * tilt that of the motion alone. Throws `PhysicsInputError` for a camera that stands on the subject, or a number that is not finite.
 *
 * With r from camera to subject and v the camera's velocity, r changes by −v: pan `(r × v)_z/ρ²` taken as the turn of r;
 * tilt `(ρ ż − z ρ̇)/(ρ² + z²)`. Never by differences of atan2, which jump at the cut.
 *
 * @example
 * headRate({ cameraM: [0, 0, 1.6], velocityMPerS: [1.5, 0, 0], subjectM: [0, 3, 1.6] }).panRadPerS; // 0.5
 */
export function headRate(input: {
	readonly cameraM: Vec3;
	readonly velocityMPerS: Vec3;
	readonly subjectM: Vec3;
}): HeadRate {
	const check = checksFor('headRate');
	const [x, y, z] = subtract(check.vector('subjectM', input.subjectM), check.vector('cameraM', input.cameraM));
	const [vx, vy, vz] = check.vector('velocityMPerS', input.velocityMPerS);
	const flat = Math.hypot(x, y);
	const distance = Math.hypot(flat, z);
	if (!(distance > 0)) check.fail('subjectM', 'must not be where the camera is', input.subjectM);
	// r' = −v.
	const panRadPerS = flat === 0 ? 0 : (y * vx - x * vy) / (flat * flat);
	const outward = flat === 0 ? Math.hypot(vx, vy) : -(x * vx + y * vy) / flat;
	return {
		panRadPerS,
		tiltRadPerS: (flat * -vz - z * outward) / (distance * distance),
		focusMPerS: -(x * vx + y * vy + z * vz) / distance
	};
}
