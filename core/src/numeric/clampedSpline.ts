import type { Jet } from './jet';
import { splinePieces } from './spline';

/**
 * The smooth curve through points that starts and ends at rest: a cubic spline, twice differentiable throughout, with zero
 * slope at both ends. Returns its value and derivatives at `x`, which is held within the ends.
 *
 * `xs` increasing, two or more, as many `ys`; the caller sees to that.
 */
export function clampedSpline(xs: readonly number[], ys: readonly number[]): (x: number) => Jet {
	const pieces = splinePieces(xs, ys, ['still', 'still']);
	return (x) => {
		const at = Math.min(xs[xs.length - 1]!, Math.max(xs[0]!, x));
		const { x0, y0, b, c, d } = pieces.find((piece) => at <= piece.x0 + piece.h) ?? pieces[pieces.length - 1]!;
		const s = at - x0;
		const value = at === xs[xs.length - 1]! ? ys[ys.length - 1]! : y0 + s * (b + s * (c + s * d));
		return [value, b + s * (2 * c + 3 * s * d), 2 * c + 6 * s * d];
	};
}
