/**
 * The smooth curve through points that starts and ends at rest: a cubic spline, twice differentiable throughout, with zero
 * slope at both ends. Returns its value at `x`, which is held at the ends beyond them.
 *
 * `xs` increasing, two or more, as many `ys`; the caller sees to that. The slopes at the points solve the tridiagonal
 * system that makes the second derivative continuous, by elimination.
 */
export function clampedSpline(xs: readonly number[], ys: readonly number[]): (x: number) => number {
	const count = xs.length;
	const gap = (index: number) => xs[index + 1]! - xs[index]!;
	const rise = (index: number) => (ys[index + 1]! - ys[index]!) / gap(index);
	const slopes = new Array<number>(count).fill(0);
	/** Of the inner points: each slope is `share − ratio · next slope` once what comes before is put in. */
	const [ratio, share] = [new Array<number>(count).fill(0), new Array<number>(count).fill(0)];
	for (let index = 1; index < count - 1; index += 1) {
		const [before, after] = [1 / gap(index - 1), 1 / gap(index)];
		const pivot = 2 * (before + after) - before * ratio[index - 1]!;
		ratio[index] = after / pivot;
		share[index] = (3 * (before * rise(index - 1) + after * rise(index)) - before * share[index - 1]!) / pivot;
	}
	for (let index = count - 2; index > 0; index -= 1) slopes[index] = share[index]! - ratio[index]! * slopes[index + 1]!;
	return (x) => {
		if (x <= xs[0]!) return ys[0]!;
		if (x >= xs[count - 1]!) return ys[count - 1]!;
		let piece = 0;
		while (x > xs[piece + 1]!) piece += 1;
		const h = gap(piece);
		const t = (x - xs[piece]!) / h;
		const [y0, y1, m0, m1] = [ys[piece]!, ys[piece + 1]!, slopes[piece]! * h, slopes[piece + 1]! * h];
		return (1 + 2 * t) * (1 - t) ** 2 * y0 + t * (1 - t) ** 2 * m0 + t * t * (3 - 2 * t) * y1 + t * t * (t - 1) * m1;
	};
}
