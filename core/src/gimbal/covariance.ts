/** How unsure figures are together: one row and column for each key, in the squares of their units. */
export interface Covariance {
	readonly keys: readonly string[];
	readonly square: readonly (readonly number[])[];
}

/** The variance of a sum of those figures by their weights, `gᵀ C g`; none without a covariance. Rounding never makes it negative. */
export function varianceOf(covariance: Covariance | undefined, weights: ArrayLike<number>): number {
	if (covariance === undefined) return 0;
	let sum = 0;
	covariance.square.forEach((row, i) => {
		const weight = weights[i] as number;
		if (weight !== 0) row.forEach((each, j) => (sum += weight * each * (weights[j] as number)));
	});
	return Math.max(0, sum);
}
