import { checksFor } from '../input';
import { standardGravityMPerS2 } from './body';

/**
 * How far off its axis a body may be heavy, to each side, before it moves: `holdingBandM` in metres.
 *
 * `massKg` is what the axis carries, `frictionNm` the torque its bearing holds. Throws `PhysicsInputError` for a mass
 * that is not more than 0 or friction below 0. It holds while `m g r < τ`, so `r = τ / (m g)`.
 *
 * @example
 * holdingBand({ massKg: 2, frictionNm: 0.01961330 }).holdingBandM; // 0.001
 */
export function holdingBand(input: { readonly massKg: number; readonly frictionNm: number }): {
	readonly holdingBandM: number;
} {
	const check = checksFor('holdingBand');
	const massKg = check.positive('massKg', input.massKg);
	const frictionNm = check.atLeastZero('frictionNm', input.frictionNm);
	return { holdingBandM: frictionNm / (massKg * standardGravityMPerS2) };
}
