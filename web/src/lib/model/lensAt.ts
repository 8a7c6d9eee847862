import type { Vec3 } from '@poise/core';
import { limit } from './limits';

/**
 * Where a head's lens is from where pan and tilt cross: ahead, to the camera's left, up, as the camera stands on a table; and how that is known.
 * None: nobody has measured it, it is taken to be where they cross, and that is said.
 */
export interface LensAt {
	readonly atM: Vec3;
	readonly from: 'measured' | 'drawing';
}
export const lensAtLimit = limit(-1, 1, 'A lens a metre from where its axes cross is on an arm.');

export const lensOffset = (lens: LensAt | null | undefined): Vec3 => lens?.atM ?? [0, 0, 0];

/** One direction of it, measured. */
export const lensMeasured = (lens: LensAt | null | undefined, k: number, metres: number): LensAt => ({
	atM: lensOffset(lens).map((each, index) => (index === k ? metres : each)) as unknown as Vec3,
	from: 'measured'
});

/** A camera as it is kept from things: round the line that its lens looks along. */
export function cameraRod(
	{ backM, frontM, radiusM }: { readonly backM: number; readonly frontM: number; readonly radiusM: number },
	lens: LensAt | null | undefined
): { readonly fromM: Vec3; readonly toM: Vec3; readonly radiusM: number } {
	const [ahead, left, up] = lensOffset(lens);
	return { fromM: [-backM, left, up], toM: [Math.max(frontM, ahead), left, up], radiusM };
}

/** Nobody has measured it: a lens is seldom further off across than this. */
export const unmeasuredM = 0.06;
/** Of the picture's width: an eye sees that a thing stands so far beside the middle. */
const seenWidths = 0.03;

/** How much of the picture's width an unmeasured lens may be off at a subject so near; null: too little to be seen, or it was measured. */
export function lensUnsure(asked: {
	readonly lens: LensAt | null | undefined;
	readonly nearestM: number;
	readonly focalM: number;
	readonly sensorWidthM: number;
}): number | null {
	const { lens, nearestM, focalM, sensorWidthM } = asked;
	if (lens != null || !(nearestM > 0)) return null;
	const widths = (unmeasuredM * focalM) / (nearestM * sensorWidthM);
	return widths >= seenWidths ? widths : null;
}
