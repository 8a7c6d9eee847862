import { polygonArea } from 'd3-polygon';
import { checksFor } from '../input';
import type { Point } from './point';

/** Every corner two finite numbers: of anything else neither "crosses" nor "encloses" is an answer. */
function checkCorners(call: string, outline: readonly Point[]): void {
	const check = checksFor(call);
	outline.forEach((corner, index) => {
		for (const k of [0, 1] as const) check.number(`outline[${index}][${k}]`, corner[k]);
	});
}

/** Twice the area of the triangle, m²; positive: counter-clockwise. */
const cornerTurn = (a: Point, b: Point, c: Point): number =>
	(b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0]);

/**
 * Which two sides of a closed outline cross, by the number of the point each starts from; null: none do. Sides that only
 * touch do not cross. Throws `PhysicsInputError` for a corner that is not two finite numbers.
 *
 * @example
 * crossingSides([[0, 0], [1, 1], [1, 0], [0, 1]])[1]; // 2
 */
export function crossingSides(outline: readonly Point[]): readonly [number, number] | null {
	checkCorners('crossingSides', outline);
	const count = outline.length;
	for (let i = 0; i < count; i += 1)
		for (let j = i + 2; j < count; j += 1) {
			// The last side ends where the first begins.
			if (i === 0 && j === count - 1) continue;
			const [a, b, c, d] = [outline[i]!, outline[i + 1]!, outline[j]!, outline[(j + 1) % count]!];
			if (cornerTurn(a, b, c) * cornerTurn(a, b, d) < 0 && cornerTurn(c, d, a) * cornerTurn(c, d, b) < 0) return [i, j];
		}
	return null;
}

/**
 * Area inside a closed outline, m²; negative where it goes clockwise. Throws `PhysicsInputError` for a corner that is not two finite numbers.
 *
 * @example
 * outlineAreaM2([[0, 0], [2, 0], [2, 1], [0, 1]]); // 2
 */
export function outlineAreaM2(outline: readonly Point[]): number {
	checkCorners('outlineAreaM2', outline);
	// The library counts clockwise as positive where y points up.
	return 0 - polygonArea(outline.map(([x, y]) => [x, y]));
}
