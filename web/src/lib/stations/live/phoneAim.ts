import type { Vec3 } from '@poise/core';
import { radFromDeg } from '@poise/core';

/** How a device says that it stands, degrees: about its z, then its new x, then its new y (`deviceorientation`). */
export interface Oriented {
	readonly alpha: number | null;
	readonly beta: number | null;
	readonly gamma: number | null;
}
/** The device's own axes in the room, as columns: x across its screen to the right, y up its screen, z out of it; z of the room is up. */
export type Columns = readonly [Vec3, Vec3, Vec3];

/** `Rz(alpha) · Rx(beta) · Ry(gamma)`; null: it does not feel how it stands. */
export function columnsOf({ alpha, beta, gamma }: Oriented): Columns | null {
	const angles = [alpha, beta, gamma];
	if (!angles.every((each): each is number => typeof each === 'number' && Number.isFinite(each))) return null;
	const [[ca, sa], [cb, sb], [cg, sg]] = angles.map((each) => {
		const rad = radFromDeg(each!);
		return [Math.cos(rad), Math.sin(rad)] as const;
	}) as unknown as readonly [readonly [number, number], readonly [number, number], readonly [number, number]];
	return [
		[ca * cg - sa * sb * sg, sa * cg + ca * sb * sg, -cb * sg],
		[-sa * cb, ca * cb, sb],
		[ca * sg + sa * sb * cg, sa * sg - ca * sb * cg, cb * cg]
	];
}

/**
 * Which way of the device is ahead for whoever holds it so, in its own axes: out of its back while that lies flatter, else the way up its
 * screen, as the screen is turned (degrees).
 */
export function aheadOf([, , z]: Columns, screenDeg: number): Vec3 {
	if (Math.abs(z[2]) <= Math.SQRT1_2) return [0, 0, -1];
	const turn = radFromDeg(Number.isFinite(screenDeg) ? screenDeg : 0);
	return [Math.sin(turn), Math.cos(turn), 0];
}

/** Where a way of the device points in the room: counter-clockwise from above, and up. Steeper than this it has no heading. */
const steepest = 0.985;
function aim([x, y, z]: Columns, ahead: Vec3): { readonly headingRad: number | null; readonly elevationRad: number } {
	const [e, n, u] = [0, 1, 2].map((k) => ahead[0] * x[k]! + ahead[1] * y[k]! + ahead[2] * z[k]!) as unknown as Vec3;
	const up = Math.max(-1, Math.min(1, u));
	return { headingRad: Math.abs(up) > steepest ? null : Math.atan2(n, e), elevationRad: Math.asin(up) };
}

/** Further apart than this two looks are no turn, closer than this no speed. */
const [mostS, leastS] = [0.25, 0.004];
const wrapped = (angle: number) => Math.atan2(Math.sin(angle), Math.cos(angle));

/** How fast the phone's aim turns between two looks, rad/s: counter-clockwise from above, and up. Null: nothing to be told. */
export function aimRates(
	before: Columns,
	after: Columns,
	ahead: Vec3,
	overS: number
): { readonly panRadPerS: number; readonly tiltRadPerS: number } | null {
	if (!(overS >= leastS && overS <= mostS)) return null;
	const [one, two] = [aim(before, ahead), aim(after, ahead)];
	const pan = one.headingRad === null || two.headingRad === null ? 0 : wrapped(two.headingRad - one.headingRad) / overS;
	return { panRadPerS: pan, tiltRadPerS: (two.elevationRad - one.elevationRad) / overS };
}
