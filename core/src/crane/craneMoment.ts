import { checksFor } from '../input';
import { standardGravityMPerS2 } from '../mass/body';
import { type ArmMoments, armMoments, type CraneArm } from './craneArm';

/** N·m about the pivot, nose-down positive: `g (U cos β − V sin β)`. */
export const momentAt = ({ uKgM, vKgM }: Pick<ArmMoments, 'uKgM' | 'vKgM'>, boomRad: number): number =>
	standardGravityMPerS2 * (uKgM * Math.cos(boomRad) - vKgM * Math.sin(boomRad));

/**
 * Out-of-balance of an arm about its pivot at each boom angle, N·m, nose-**down** positive.
 *
 * `boomRad` nose-**up** positive, one angle or a list. Friction is left out. Throws `PhysicsInputError` for an arm without
 * parts, a negative mass, doubled ids or a number that is not finite.
 *
 * With `U = Σ m u`, `V = Σ m v` (a part kept level counting at its hinge) the moment is `g (U cos β − V sin β)`.
 *
 * @example
 * craneMoment({ arm: { parts: [{ id: 'nose', massKg: 1, uM: 2, vM: 0 }] }, boomRad: [0] }).momentNm[0]; // 19.6133
 */
export function craneMoment(input: { readonly arm: CraneArm; readonly boomRad: number | readonly number[] }): {
	readonly momentNm: readonly number[];
} {
	const check = checksFor('craneMoment');
	const moments = armMoments('craneMoment', input.arm);
	const angles = typeof input.boomRad === 'number' ? [input.boomRad] : check.list('boomRad', input.boomRad);
	return { momentNm: angles.map((angle, index) => momentAt(moments, check.number(`boomRad[${index}]`, angle))) };
}
