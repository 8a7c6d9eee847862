/** Three components in metres, or a direction. Payload, gimbal and sled frames: x forward, y to the camera's left, z up. */
export type Vec3 = readonly [x: number, y: number, z: number];

/**
 * Second moments of mass, kg·m². `xx = Σ m (y² + z²)`; the products are the plain sums, `xz = +Σ m x z` (the tensor's
 * off-diagonal entry is the negative of it).
 */
export interface Inertia {
	readonly xx: number;
	readonly yy: number;
	readonly zz: number;
	readonly xy: number;
	readonly xz: number;
	readonly yz: number;
}

/** A rigid body: its mass, its centre of gravity, and its inertia about that centre (absent: a point mass). */
export interface Body {
	readonly massKg: number;
	readonly cgM: Vec3;
	readonly inertiaKgM2?: Inertia;
}

export const zeroInertia: Inertia = { xx: 0, yy: 0, zz: 0, xy: 0, xz: 0, yz: 0 };

/** Standard gravity, m/s². Exact by definition. */
export const standardGravityMPerS2 = 9.80665;

export const add = (a: Vec3, b: Vec3): Vec3 => [a[0] + b[0], a[1] + b[1], a[2] + b[2]];
export const subtract = (a: Vec3, b: Vec3): Vec3 => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
export const scale = (a: Vec3, factor: number): Vec3 => [a[0] * factor, a[1] * factor, a[2] * factor];
export const dot = (a: Vec3, b: Vec3): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
export const cross = (a: Vec3, b: Vec3): Vec3 => [
	a[1] * b[2] - a[2] * b[1],
	a[2] * b[0] - a[0] * b[2],
	a[0] * b[1] - a[1] * b[0]
];
export const length = (a: Vec3): number => Math.hypot(a[0], a[1], a[2]);
/** What is left of `a` square to the unit vector `axis`. */
export const squareTo = (a: Vec3, axis: Vec3): Vec3 => subtract(a, scale(axis, dot(a, axis)));
