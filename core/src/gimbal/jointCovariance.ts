import { EigenvalueDecomposition, Matrix } from 'ml-matrix';
import { checksFor } from '../input';
import type { Covariance } from './covariance';

/** A figure as it is believed today, and the lesson it was taken over from, if it was. */
export interface BelievedFigure {
	readonly key: string;
	/** One standard deviation of it by itself. */
	readonly sigma: number;
	readonly taken?: {
		/** Which lesson: one that was drawn later has the greater number. */
		readonly lesson: number;
		/** As that lesson's `widenedBy`. */
		readonly widenedBy: number;
		/** Its row of that lesson's `covariance`, by key; a figure that is not there has nothing to do with it, and where its own is not there `sigma` stands. */
		readonly row: Readonly<Record<string, number>>;
	};
}

/**
 * How unsure figures are together when some were taken over from lessons of a logbook and some were not.
 *
 * `sigma` and the roots of the rows are in one unit, metres. Lessons are those of `learnFromBalances` from one and the same belief, each of all
 * balances that the one before it knew, and more. Throws `PhysicsInputError` for a key twice and for figures without sense.
 *
 * Two errors `e = θ − E[θ | d]` whose second was reckoned from all that the first was, and more, share what the second's lesson leaves
 * unsure of both: the first's own error differs from that by what the second's data tell, and an error is uncorrelated with
 * everything its own data tell. So each pair has the covariance of the later of its two lessons, also where only one of the two was taken over; two that
 * were not taken over are unsure apart. What a lesson was widened by is beyond the model: it widens the figures taken from that lesson among
 * themselves. Where lessons contradict this (a balance struck out between them) the least is added that makes it a covariance.
 *
 * @example
 * const taken = { lesson: 1, widenedBy: 1, row: { a: 1, b: -0.5 } };
 * const { square } = jointCovariance([{ key: 'a', sigma: 1, taken }, { key: 'b', sigma: 2 }]);
 * square[0][1]; // -0.5
 * square[1][1]; // 4
 */
export function jointCovariance(figures: readonly BelievedFigure[]): Covariance {
	const check = checksFor('jointCovariance');
	const keys = figures.map(({ key }) => key);
	check.uniqueIds(
		'figures',
		keys.map((id) => ({ id }))
	);
	figures.forEach(({ sigma, taken }, index) => {
		check.atLeastZero(`figures[${index}].sigma`, sigma);
		if (taken === undefined) return;
		check.number(`figures[${index}].taken.lesson`, taken.lesson);
		check.positive(`figures[${index}].taken.widenedBy`, taken.widenedBy);
		Object.entries(taken.row).forEach(([key, value]) => check.number(`figures[${index}].taken.row.${key}`, value));
	});
	const pair = (a: BelievedFigure, b: BelievedFigure): number => {
		const [later, other] = (b.taken?.lesson ?? -Infinity) > (a.taken?.lesson ?? -Infinity) ? [b, a] : [a, b];
		const { taken } = later;
		if (a === b && (taken === undefined || !Object.hasOwn(taken.row, a.key))) return a.sigma ** 2;
		if (taken === undefined) return 0;
		const together = Object.hasOwn(taken.row, other.key) ? (taken.row[other.key] as number) : 0;
		return other.taken?.lesson === taken.lesson ? together : together / taken.widenedBy ** 2;
	};
	const square = figures.map((a) => figures.map((b) => pair(a, b)));
	return { keys, square: square.length === 0 ? square : covarianceAbove(square) };
}

/** The nearest matrix above a symmetric one that no combination of figures makes surer than sure. */
function covarianceAbove(square: readonly (readonly number[])[]): readonly (readonly number[])[] {
	const symmetric = new Matrix(square.map((row, i) => row.map((value, j) => (value + (square[j]?.[i] as number)) / 2)));
	const { realEigenvalues, eigenvectorMatrix } = new EigenvalueDecomposition(symmetric, { assumeSymmetric: true });
	const most = Math.max(...realEigenvalues);
	if (realEigenvalues.every((value) => value >= -1e-12 * most)) return square;
	const lifted = realEigenvalues.map((value) => Math.max(0, value));
	return eigenvectorMatrix.mmul(Matrix.diag(lifted)).mmul(eigenvectorMatrix.transpose()).to2DArray();
}
