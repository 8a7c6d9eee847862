import { Matrix, solve, SingularValueDecomposition } from 'ml-matrix';

/** Minimise |A x − b|² with lower ≤ x ≤ upper. `rows` holds A row by row; all entries finite, upper may be Infinity. */
export interface BoundedLeastSquares {
	readonly rows: readonly (readonly number[])[];
	readonly rightSide: readonly number[];
	readonly lower: readonly number[];
	readonly upper: readonly number[];
}

/** A gradient this small beside |column|·|right side| is rounding, not a reason to move. */
const gradientSlack = 1e-12;
/** Directions that change A x by less than this share of its strongest direction count as changing nothing. */
const nullShare = 1e-9;

/**
 * The bounded least-squares solution nearest to `preferred`.
 *
 * Several x can give the same least residual (two slides doing the same work). A x is the same for all of them, so the
 * answer is found in two exact stages: any minimiser, then the point of its solution set with the least Σ(x − preferred)².
 * One stage with a small penalty instead was rejected: the penalty's share of the gradient drowns in rounding just where
 * it has to decide. Entries at a bound are exactly the bound.
 */
export function nearestBoundedLeastSquares(problem: BoundedLeastSquares, preferred: readonly number[]): number[] {
	const minimiser = boundedLeastSquares(problem);
	const free = nullDirections(problem.rows, preferred.length);
	return free.length === 0 ? minimiser : nearestAlong(minimiser, free, preferred, problem);
}

/**
 * One minimiser, by the active-set method of Lawson and Hanson extended to two-sided bounds. Variables start at a bound
 * and are freed one at a time in the order of their gradient, so the freed columns stay independent of each other and
 * each inner problem has one solution. `lower` must be finite.
 */
function boundedLeastSquares({ rows, rightSide, lower, upper }: BoundedLeastSquares): number[] {
	const count = lower.length;
	const x = [...lower];
	const free: number[] = [];
	const column = (j: number) => rows.map((row) => row[j] as number);
	const columnLength = Array.from({ length: count }, (_, j) => Math.hypot(...column(j)));
	const scale = Math.hypot(...residual(rows, rightSide, x), ...rightSide) || 1;
	const refused = new Set<number>();

	// Each pass frees one variable; the bound on passes only guards against rounding that would free and return for ever.
	for (let pass = 0; pass < 20 * (count + 1); pass += 1) {
		const misfit = residual(rows, rightSide, x);
		let best = -1;
		let bestPull = gradientSlack;
		for (let j = 0; j < count; j += 1) {
			if (free.includes(j) || refused.has(j) || columnLength[j] === 0 || lower[j] === upper[j]) continue;
			const pull = rows.reduce((sum, row, i) => sum + (row[j] as number) * (misfit[i] as number), 0);
			const relative = pull / ((columnLength[j] as number) * scale);
			const inward = x[j] === lower[j] ? relative : -relative;
			if (inward > bestPull) [best, bestPull] = [j, inward];
		}
		if (best < 0) return x;

		const from = x[best] as number;
		free.push(best);
		for (let first = true; free.length > 0; first = false) {
			const wanted = leastSquaresOver(rows, rightSide, x, free);
			const step = (k: number) => (wanted[k] as number) - (x[free[k] as number] as number);
			if (first) {
				const own = step(free.length - 1);
				if (from === lower[best] ? own <= 0 : own >= 0) {
					free.pop();
					refused.add(best);
					break;
				}
			}
			let share = 1;
			free.forEach((j, k) => {
				const target = wanted[k] as number;
				const bound = target < (lower[j] as number) ? lower[j] : target > (upper[j] as number) ? upper[j] : undefined;
				if (bound !== undefined) share = Math.min(share, (bound - (x[j] as number)) / step(k));
			});
			const stopped: number[] = [];
			free.forEach((j, k) => {
				const value = share === 1 ? (wanted[k] as number) : (x[j] as number) + share * step(k);
				const [low, high] = [lower[j] as number, upper[j] as number];
				const reach = share < 1 ? 1e-14 * Math.max(1, Math.abs(low), Number.isFinite(high) ? Math.abs(high) : 0) : 0;
				x[j] = value <= low + reach ? low : value >= high - reach ? high : value;
				if (x[j] === low || x[j] === high) stopped.push(j);
			});
			if (share === 1) {
				stopped.forEach((j) => free.splice(free.indexOf(j), 1));
				refused.clear();
				break;
			}
			stopped.forEach((j) => free.splice(free.indexOf(j), 1));
		}
	}
	return x;
}

/** Least squares over the free variables alone, the others held; columns are independent. */
function leastSquaresOver(
	rows: BoundedLeastSquares['rows'],
	rightSide: readonly number[],
	x: readonly number[],
	free: readonly number[]
): number[] {
	const held = rows.map((row) => row.map((entry, j) => (free.includes(j) ? 0 : entry)));
	const target = residual(held, rightSide, x);
	const matrix = new Matrix(rows.map((row) => free.map((j) => row[j] as number)));
	return solve(matrix, Matrix.columnVector(target)).to1DArray();
}

function residual(rows: BoundedLeastSquares['rows'], rightSide: readonly number[], x: readonly number[]): number[] {
	return rows.map((row, i) => row.reduce((left, entry, j) => left - entry * (x[j] as number), rightSide[i] as number));
}

/** Orthonormal directions that leave A x unchanged, one array per direction. */
function nullDirections(rows: BoundedLeastSquares['rows'], count: number): number[][] {
	// Padded with zero rows to be at least square, so that the decomposition returns all of V.
	const padded = [...rows.map((row) => [...row])];
	while (padded.length < count) padded.push(new Array<number>(count).fill(0));
	const { diagonal, rightSingularVectors } = new SingularValueDecomposition(new Matrix(padded));
	const strongest = Math.max(...diagonal);
	return diagonal.flatMap((value, k) => (value > nullShare * strongest ? [] : [rightSingularVectors.getColumn(k)]));
}

/**
 * The point x₀ + N z within the bounds nearest to `preferred`: a least-distance problem. With u = z − z*, z* the
 * unbounded best, it reads min |u|² with G u ≥ h, whose solution is r/(−r_last) scaled, r being the residual of the
 * non-negative least-squares problem [Gᵀ; hᵀ] y ≈ [0…0 1] (Lawson and Hanson's reduction).
 */
function nearestAlong(
	start: readonly number[],
	directions: readonly number[][],
	preferred: readonly number[],
	{ lower, upper }: BoundedLeastSquares
): number[] {
	const at = (j: number, z: readonly number[]) =>
		directions.reduce((sum, direction, k) => sum + (direction[j] as number) * (z[k] as number), start[j] as number);
	const best = directions.map((direction) =>
		direction.reduce((sum, entry, j) => sum + entry * ((preferred[j] as number) - (start[j] as number)), 0)
	);
	const unbounded = start.map((_, j) => at(j, best));

	const constraints: { readonly row: number[]; readonly slack: number }[] = [];
	start.forEach((_, j) => {
		const row = directions.map((direction) => direction[j] as number);
		if (Math.hypot(...row) < 1e-9) return;
		constraints.push({ row, slack: (lower[j] as number) - (unbounded[j] as number) });
		constraints.push({ row: row.map((entry) => -entry), slack: (unbounded[j] as number) - (upper[j] as number) });
	});
	if (constraints.every(({ slack }) => slack <= 0)) return clampAll(unbounded, lower, upper);

	const rows = [
		...directions.map((_, k) => constraints.map(({ row }) => row[k] as number)),
		constraints.map(({ slack }) => slack)
	];
	const rightSide = [...directions.map(() => 0), 1];
	const y = boundedLeastSquares({
		rows,
		rightSide,
		lower: constraints.map(() => 0),
		upper: constraints.map(() => Infinity)
	});
	const r = residual(rows, rightSide, y);
	const last = r[r.length - 1] as number;
	const z = best.map((value, k) => value - (r[k] as number) / last);
	return clampAll(
		start.map((_, j) => at(j, z)),
		lower,
		upper
	);
}

/** Removes the last rounding: a value within 1e-12 of a bound, or past it, is the bound. */
function clampAll(x: readonly number[], lower: readonly number[], upper: readonly number[]): number[] {
	return x.map((value, j) => {
		const [low, high] = [lower[j] as number, upper[j] as number];
		return value <= low + 1e-12 ? low : value >= high - 1e-12 ? high : value;
	});
}
