import { checksFor } from '../input';
import type { Vec3 } from './body';

/** Where a part's centre lies when nobody has measured it: somewhere in the middle half of its box. */
const middleHalfToSigma = 1 / (4 * Math.sqrt(3));

/**
 * Standard deviation of an unmeasured centre of gravity that is taken to be the middle of its box, metres along x, y, z.
 *
 * `sizeM` are the box's full edges, at least 0. Throws `PhysicsInputError` otherwise. The centre is taken to lie anywhere
 * in the middle half of each edge alike, whose standard deviation is `edge / (4 √3)`, 14 % of the edge.
 *
 * @example assumedMiddleSigma({ sizeM: [0.08, 0.08, 0.04] })[2]; // 0.005773502691896
 */
export function assumedMiddleSigma({ sizeM }: { readonly sizeM: Vec3 }): Vec3 {
	const check = checksFor('assumedMiddleSigma');
	check.vector('sizeM', sizeM);
	const [x, y, z] = sizeM.map((edge, index) => check.atLeastZero(`sizeM[${index}]`, edge) * middleHalfToSigma);
	return [x as number, y as number, z as number];
}

/**
 * Standard deviation of the whole's centre of gravity, from those of its parts, metres along x, y, z.
 *
 * Errors of different parts are independent: `σ = √Σ (m σ)² / Σ m`. Throws `PhysicsInputError` for an empty list, a
 * negative mass or sigma, or no mass at all.
 *
 * @example
 * cgUncertainty({ parts: [{ massKg: 1, sigmaM: [0.003, 0, 0] }, { massKg: 1, sigmaM: [0.004, 0, 0] }] })[0]; // 0.0025
 */
export function cgUncertainty(input: {
	readonly parts: readonly { readonly massKg: number; readonly sigmaM: Vec3 }[];
}): Vec3 {
	const check = checksFor('cgUncertainty');
	let total = 0;
	const squares: [number, number, number] = [0, 0, 0];
	check.list('parts', input.parts).forEach(({ massKg, sigmaM }, index) => {
		total += check.atLeastZero(`parts[${index}].massKg`, massKg);
		check.vector(`parts[${index}].sigmaM`, sigmaM);
		for (const axis of [0, 1, 2] as const)
			squares[axis] += (massKg * check.atLeastZero(`parts[${index}].sigmaM[${axis}]`, sigmaM[axis])) ** 2;
	});
	if (!(total > 0)) check.fail('parts', 'must have some mass between them', total);
	return [Math.sqrt(squares[0]) / total, Math.sqrt(squares[1]) / total, Math.sqrt(squares[2]) / total];
}
