import { checksFor } from '../input';
import type { Inertia, Vec3 } from './body';

/**
 * Radii of gyration about the axes through the centre of gravity, metres along x, y, z: how far out the mass would have
 * to sit, all at one distance, to turn as sluggishly.
 *
 * Throws `PhysicsInputError` for a mass that is not more than 0 or a moment below 0. `k = √(I/m)`.
 *
 * @example
 * radiiOfGyration({ massKg: 4, inertiaKgM2: { xx: 0.04, yy: 1, zz: 4, xy: 0, xz: 0, yz: 0 } })[0]; // 0.1
 */
export function radiiOfGyration(input: { readonly massKg: number; readonly inertiaKgM2: Inertia }): Vec3 {
	const check = checksFor('radiiOfGyration');
	for (const field of ['xy', 'xz', 'yz'] as const) check.number(`inertiaKgM2.${field}`, input.inertiaKgM2[field]);
	const massKg = check.positive('massKg', input.massKg);
	const about = (field: 'xx' | 'yy' | 'zz') =>
		Math.sqrt(check.atLeastZero(`inertiaKgM2.${field}`, input.inertiaKgM2[field]) / massKg);
	return [about('xx'), about('yy'), about('zz')];
}
