import { checksFor } from '../input';
import { dot, subtract, type Vec3 } from '../mass/body';
import { turnOfBase } from '../motion/attitude';

/** Where a camera is and which way it looks: heading counter-clockwise about z, elevation up, roll clockwise from behind. */
export interface CameraPose {
	readonly positionM: Vec3;
	readonly headingRad: number;
	readonly elevationRad: number;
	readonly rollRad: number;
}

export interface FrameInput {
	readonly pose: CameraPose;
	/** In the room, like the camera's position. */
	readonly pointM: Vec3;
	readonly focalM: number;
	readonly sensorWidthM: number;
	readonly sensorHeightM: number;
}

export interface InFrame {
	/** To the right of the middle, in widths of the frame; null: not before the camera. */
	readonly xWidths: number | null;
	/** Above the middle, in heights of the frame; null: not before the camera. */
	readonly yHeights: number | null;
	/** Along the optical axis; negative: behind. */
	readonly depthM: number;
	readonly inFrame: boolean;
}

/**
 * Where a point of the room stands in the picture of a camera without distortion (a pinhole).
 *
 * The camera's axes are the columns of `Rz(heading)·Ry(−elevation)·Rx(roll)`: forward, left and up. A point at the depth d
 * along forward stands `−focal · left/d` to the right and `focal · up/d` above the middle of the sensor. Throws
 * `PhysicsInputError` for figures that are not finite, or a focal length or sensor not above 0.
 *
 * @example
 * frameOf({ pose: { positionM: [0, 0, 1.5], headingRad: 0, elevationRad: 0, rollRad: 0 }, pointM: [4, -0.5, 1.5], focalM: 0.036, sensorWidthM: 0.036, sensorHeightM: 0.02 }).xWidths; // 0.125
 */
export function frameOf(input: FrameInput): InFrame {
	const check = checksFor('frameOf');
	const { pose } = input;
	if (typeof pose !== 'object' || pose === null) check.fail('pose', 'must be a pose', pose);
	const positionM = check.vector('pose.positionM', pose.positionM);
	const { centreM } = pose as { readonly centreM?: Vec3 };
	if (centreM !== undefined) check.vector('pose.centreM', centreM);
	const heading = check.number('pose.headingRad', pose.headingRad);
	const elevation = check.number('pose.elevationRad', pose.elevationRad);
	const roll = check.number('pose.rollRad', pose.rollRad);
	const pointM = check.vector('pointM', input.pointM);
	const focal = check.positive('focalM', input.focalM);
	const width = check.positive('sensorWidthM', input.sensorWidthM);
	const height = check.positive('sensorHeightM', input.sensorHeightM);

	const [forward, left, up] = turnOfBase({ headingRad: heading, tiltRad: elevation, rollRad: roll });
	const to = subtract(pointM, positionM);
	const depthM = dot(to, forward);
	if (!(depthM > 0)) return { xWidths: null, yHeights: null, depthM, inFrame: false };
	const xWidths = (-focal * dot(to, left)) / (depthM * width);
	const yHeights = (focal * dot(to, up)) / (depthM * height);
	return { xWidths, yHeights, depthM, inFrame: Math.abs(xWidths) <= 0.5 && Math.abs(yHeights) <= 0.5 };
}
