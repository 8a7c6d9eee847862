import { checksFor } from '../input';

export interface WeightLineCure {
	/** How far up (positive) the whole weight line would have to go for an arm that floats at every boom; null: no weights hang. */
	readonly shiftM: number | null;
	/** Share of the weights to hang on the upper of two lines; null: there is only one line, or none of theirs would do. */
	readonly shareAbove: number | null;
}

/**
 * What takes the drift out of an arm through its whole boom range: the weight line moved, or the weights shared between a line
 * above and one below.
 *
 * `vKgM` is `Σ m v` of the whole arm as it hangs, `plateKg` of plates hang at `hangerVM`; `lines` are the heights of the two
 * places, lower first, where there are two. Throws `PhysicsInputError` for a negative mass or numbers that are not finite.
 *
 * `V = 0` takes the moment's change with boom away: the line moves by `−V/W`, or a share s above with
 * `V + W (s v₂ + (1 − s) v₁ − v) = 0`.
 *
 * @example
 * weightLineCure({ vKgM: -3, plateKg: 30, hangerVM: -0.14 }).shiftM; // 0.1
 */
export function weightLineCure(input: {
	readonly vKgM: number;
	readonly plateKg: number;
	readonly hangerVM: number;
	readonly lines?: readonly [lower: number, upper: number];
}): WeightLineCure {
	const check = checksFor('weightLineCure');
	const vKgM = check.number('vKgM', input.vKgM);
	const plateKg = check.atLeastZero('plateKg', input.plateKg);
	const hangerVM = check.number('hangerVM', input.hangerVM);
	if (plateKg === 0) return { shiftM: null, shareAbove: null };
	const shiftM = -vKgM / plateKg;
	if (input.lines === undefined) return { shiftM, shareAbove: null };
	const [lower, upper] = check.range('lines', input.lines);
	const share = upper === lower ? NaN : (hangerVM + shiftM - lower) / (upper - lower);
	return { shiftM, shareAbove: share >= 0 && share <= 1 ? share : null };
}
