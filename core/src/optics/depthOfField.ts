import { checksFor } from '../input';
import { length, subtract, type Vec3 } from '../mass/body';

/**
 * What is sharp: the hyperfocal distance `f²/(N c) + f`, the near limit `s(H − f)/(H + s − 2f)` and the far one
 * `s(H − f)/(H − s)`, null at infinity; and the angle of view across the sensor, `2 atan(sensor/2f)`. Metres and radians, of a thin lens.
 * Throws `PhysicsInputError` for figures not above 0, or a focus within the focal length.
 *
 * @example
 * depthOfField({ focalM: 0.05, fNumber: 2.8, circleM: 0.00003, focusM: 40, sensorWidthM: 0.036 }).farM; // null
 */
export function depthOfField(input: {
	readonly focalM: number;
	readonly fNumber: number;
	/** The blur that still counts as sharp, on the sensor. */
	readonly circleM: number;
	readonly focusM: number;
	readonly sensorWidthM: number;
}): { readonly hyperfocalM: number; readonly nearM: number; readonly farM: number | null; readonly fovRad: number } {
	const check = checksFor('depthOfField');
	const focal = check.positive('focalM', input.focalM);
	const fNumber = check.positive('fNumber', input.fNumber);
	const circle = check.positive('circleM', input.circleM);
	const focus = check.positive('focusM', input.focusM);
	const sensor = check.positive('sensorWidthM', input.sensorWidthM);
	if (!(focus > focal)) check.fail('focusM', 'must be beyond the focal length', focus);
	const hyperfocalM = (focal * focal) / (fNumber * circle) + focal;
	return {
		hyperfocalM,
		nearM: (focus * (hyperfocalM - focal)) / (hyperfocalM + focus - 2 * focal),
		farM: focus >= hyperfocalM ? null : (focus * (hyperfocalM - focal)) / (hyperfocalM - focus),
		fovRad: 2 * Math.atan(sensor / (2 * focal))
	};
}

/**
 * Pan, tilt and focus from a camera on a level base to a subject: `atan2(dy, dx)`, `atan2(dz, hypot(dx, dy))`, `|s − p|`. Throws
 * `PhysicsInputError` for places that are not finite, or a subject where the camera is.
 *
 * @example
 * aim({ cameraM: [0, 0, 0], subjectM: [3, 0, 4] }).focusM; // 5
 */
export function aim(input: { readonly cameraM: Vec3; readonly subjectM: Vec3 }): {
	readonly panRad: number;
	readonly tiltRad: number;
	readonly focusM: number;
} {
	const check = checksFor('aim');
	const to = subtract(check.vector('subjectM', input.subjectM), check.vector('cameraM', input.cameraM));
	const focusM = length(to);
	if (!(focusM > 0)) check.fail('subjectM', 'must not be where the camera is', input.subjectM);
	return { panRad: Math.atan2(to[1], to[0]), tiltRad: Math.atan2(to[2], Math.hypot(to[0], to[1])), focusM };
}
