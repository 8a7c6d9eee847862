/** How a spline begins or ends: without curvature, or at rest. */
export type SplineEnd = 'natural' | 'still';

/**
 * The slopes at the points of the cubic spline through them that is twice differentiable throughout. `xs` increasing, two or
 * more, as many `ys`; the caller sees to that. The slopes solve a tridiagonal system, by elimination from the first to the last.
 */
function splineSlopes(
	xs: readonly number[],
	ys: readonly number[],
	[start, end]: readonly [SplineEnd, SplineEnd]
): number[] {
	const last = xs.length - 1;
	const gap = (index: number) => xs[index + 1]! - xs[index]!;
	const rise = (index: number) => (ys[index + 1]! - ys[index]!) / gap(index);
	/** Each slope is `share − ratio · next slope` once what comes before is put in. */
	const [ratio, share] = [new Array<number>(last + 1).fill(0), new Array<number>(last + 1).fill(0)];
	if (start === 'natural') {
		ratio[0] = 0.5;
		share[0] = 1.5 * rise(0);
	}
	for (let index = 1; index < last; index += 1) {
		const [before, after] = [1 / gap(index - 1), 1 / gap(index)];
		const pivot = 2 * (before + after) - before * ratio[index - 1]!;
		ratio[index] = after / pivot;
		share[index] = (3 * (before * rise(index - 1) + after * rise(index)) - before * share[index - 1]!) / pivot;
	}
	const slopes = new Array<number>(last + 1).fill(0);
	if (end === 'natural') slopes[last] = (3 * rise(last - 1) - share[last - 1]!) / (2 - ratio[last - 1]!);
	for (let index = last - 1; index >= 0; index -= 1) slopes[index] = share[index]! - ratio[index]! * slopes[index + 1]!;
	return slopes;
}

/** One piece of a spline: over `h` from `x0`, `y = y0 + b s + c s² + d s³` with `s = x − x0`. */
export interface CubicPiece {
	readonly x0: number;
	readonly h: number;
	readonly y0: number;
	readonly b: number;
	readonly c: number;
	readonly d: number;
}

/** The pieces of that spline, one between every two points. */
export function splinePieces(
	xs: readonly number[],
	ys: readonly number[],
	ends: readonly [SplineEnd, SplineEnd]
): CubicPiece[] {
	const slopes = splineSlopes(xs, ys, ends);
	return xs
		.slice(0, -1)
		.map((x0, k) => cubicPiece(x0, xs[k + 1]! - x0, [ys[k]!, ys[k + 1]!], [slopes[k]!, slopes[k + 1]!]));
}

/** The one cubic over `h` from `x0` with these values and slopes at its ends. */
export function cubicPiece(
	x0: number,
	h: number,
	[y0, y1]: readonly [number, number],
	[m0, m1]: readonly [number, number]
): CubicPiece {
	const rise = (y1 - y0) / h;
	return { x0, h, y0, b: m0, c: (3 * rise - 2 * m0 - m1) / h, d: (m0 + m1 - 2 * rise) / (h * h) };
}

/** Where a piece may be at its least or greatest, from its start: its ends, and where its slope `b + 2c s + 3d s²` is 0. */
export function turnsOfPiece({ h, b, c, d }: CubicPiece): number[] {
	const inside = c * c - 3 * b * d;
	const turns =
		d === 0 ? [-b / (2 * c)] : inside < 0 ? [] : [-1, 1].map((sign) => (-c + sign * Math.sqrt(inside)) / (3 * d));
	return [0, h, ...turns.filter((s) => s > 0 && s < h)];
}
export const atOfPiece = ({ y0, b, c, d }: CubicPiece, s: number): number => y0 + s * (b + s * (c + s * d));
