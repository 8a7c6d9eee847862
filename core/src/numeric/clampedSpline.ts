import { splinePieces } from './spline';

/**
 * The smooth curve through points that starts and ends at rest: a cubic spline, twice differentiable throughout, with zero
 * slope at both ends. Returns its value at `x`, which is held at the ends beyond them.
 *
 * `xs` increasing, two or more, as many `ys`; the caller sees to that.
 */
export function clampedSpline(xs: readonly number[], ys: readonly number[]): (x: number) => number {
	const pieces = splinePieces(xs, ys, ['still', 'still']);
	return (x) => {
		if (x <= xs[0]!) return ys[0]!;
		if (x >= xs[xs.length - 1]!) return ys[ys.length - 1]!;
		const { x0, y0, b, c, d } = pieces.find((piece) => x <= piece.x0 + piece.h) ?? pieces[pieces.length - 1]!;
		const s = x - x0;
		return y0 + s * (b + s * (c + s * d));
	};
}
