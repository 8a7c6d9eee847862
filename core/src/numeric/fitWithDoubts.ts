import { inverse, Matrix } from 'ml-matrix';

/** The best values under doubts and looks together, and what is left. */
export interface FitWithDoubts {
	readonly values: readonly number[];
	readonly sigma: readonly number[];
	readonly covariance: readonly (readonly number[])[];
	readonly chiSquare: number;
	readonly lookMisses: readonly number[];
}
/** Gauss–Newton with halved steps: least squares of values in units of their doubts, about 0, and of what looks miss, in units of their own errors. */
export function fitWithDoubts(
	start: readonly number[],
	doubts: readonly number[],
	lookMisses: (values: readonly number[]) => readonly number[]
): FitWithDoubts {
	const misses = (at: readonly number[]) => [...at.map((value, index) => value / doubts[index]!), ...lookMisses(at)];
	const costOf = (all: readonly number[]) => all.reduce((sum, miss) => sum + miss * miss, 0);

	let values = start;
	let now = misses(values);
	let normal = Matrix.eye(doubts.length);
	for (let round = 0; round < 40; round += 1) {
		const jacobian = new Matrix(now.length, doubts.length);
		doubts.forEach((sigma, column) => {
			const step = sigma * 1e-4;
			const plus = misses(values.map((value, index) => value + (index === column ? step : 0)));
			const minus = misses(values.map((value, index) => value - (index === column ? step : 0)));
			plus.forEach((miss, row) => jacobian.set(row, column, (miss - minus[row]!) / (2 * step)));
		});
		normal = jacobian.transpose().mmul(jacobian);
		const gradient = jacobian.transpose().mmul(Matrix.columnVector(now));
		const whole = inverse(normal).mmul(gradient).to1DArray();
		const cost = costOf(now);
		let share = 1;
		let tried = misses(values.map((value, index) => value - whole[index]!));
		while (costOf(tried) > cost && share > 1e-4) {
			share /= 2;
			tried = misses(values.map((value, index) => value - share * whole[index]!));
		}
		if (costOf(tried) > cost) break;
		values = values.map((value, index) => value - share * whole[index]!);
		const gained = cost - costOf(tried);
		now = tried;
		if (gained < 1e-10 * (1 + cost)) break;
	}
	const covariance = inverse(normal);
	return {
		values,
		sigma: doubts.map((_, index) => Math.sqrt(covariance.get(index, index))),
		covariance: covariance.to2DArray(),
		chiSquare: costOf(now),
		lookMisses: now.slice(doubts.length)
	};
}
