import { checksFor } from '../input';
import { cross, dot, scale, standardGravityMPerS2, type Vec3 } from '../mass/body';
import { axisLoads, type GimbalChain, listPositions, momentAt } from './chain';

/**
 * Torque of gravity about every axis, N·m by the right-hand rule, with the whole gimbal held in each of several poses.
 *
 * A pose is the direction of gravity as a unit vector in the gimbal's frame: upright [0, 0, −1], upside down [0, 0, 1].
 * The chain itself stays in its neutral pose. Throws `PhysicsInputError` for a chain, slide or direction without sense.
 *
 * `direction · Σ (r − pivot) × m g ĝ`, the sum being the first moment about the pivot.
 *
 * @example
 * poseTorques({
 *   chain: {
 *     axes: [{ id: 'tilt', direction: [0, 1, 0], pivotM: [0, 0, 0] }],
 *     parts: [{ id: 'camera', body: { massKg: 1, cgM: [0.1, 0, 0] }, hangsOn: 'tilt' }],
 *     slides: []
 *   },
 *   positionsM: {},
 *   gravityDirections: [[0, 0, -1]]
 * }).poses[0].axes[0].torqueNm; // 0.980665
 */
export function poseTorques(input: {
	readonly chain: GimbalChain;
	readonly positionsM: Readonly<Record<string, number>>;
	readonly gravityDirections: readonly Vec3[];
}): { readonly poses: readonly { readonly axes: readonly { readonly id: string; readonly torqueNm: number }[] }[] } {
	const check = checksFor('poseTorques');
	const loads = axisLoads('poseTorques', input.chain);
	const positionsM = listPositions('poseTorques', input.chain, input.positionsM);
	const poses = check.list('gravityDirections', input.gravityDirections).map((direction, index) => {
		const gravity = scale(check.unitVector(`gravityDirections[${index}]`, direction), standardGravityMPerS2);
		return {
			axes: loads.map((load) => ({
				id: load.axis.id,
				torqueNm: dot(load.axis.direction, cross(momentAt(load, positionsM), gravity))
			}))
		};
	});
	return { poses };
}
