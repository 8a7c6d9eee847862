import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type BoundedLeastSquares, nearestBoundedLeastSquares } from './boundedLeastSquares';
import { rounds } from '../testing/rounds';

const entry = fc.integer({ min: -4, max: 4 });
const problems = fc.integer({ min: 1, max: 4 }).chain((count) =>
	fc.record({
		rows: fc.array(fc.array(entry, { minLength: count, maxLength: count }), { minLength: 1, maxLength: 5 }),
		seeds: fc.array(entry, { minLength: 5, maxLength: 5 }),
		lower: fc.array(fc.integer({ min: -6, max: 0 }), { minLength: count, maxLength: count }),
		widths: fc.array(fc.integer({ min: 0, max: 8 }), { minLength: count, maxLength: count })
	})
);

const cost = ({ rows, rightSide }: BoundedLeastSquares, x: readonly number[]) =>
	rows.reduce((sum, row, i) => sum + (row.reduce((s, a, j) => s + a * x[j]!, 0) - rightSide[i]!) ** 2, 0);
const away = (x: readonly number[], from: readonly number[]) => x.reduce((s, v, j) => s + (v - from[j]!) ** 2, 0);

describe('nearestBoundedLeastSquares', () => {
	it('is never beaten, in residual or in nearness, by points of a grid or by small steps', () => {
		fc.assert(
			fc.property(problems, ({ rows, seeds, lower, widths }) => {
				const upper = lower.map((low, j) => low + widths[j]!);
				const problem = { rows, rightSide: seeds.slice(0, rows.length), lower, upper };
				const middle = lower.map((low, j) => (low + upper[j]!) / 2);
				const found = nearestBoundedLeastSquares(problem, middle);
				found.forEach((value, j) => expect(value >= lower[j]! && value <= upper[j]!).toBe(true));

				const rivals: number[][] = [];
				const walk = (point: number[]) => {
					const j = point.length;
					if (j === lower.length) return void rivals.push(point);
					for (let step = 0; step <= 4; step += 1) walk([...point, lower[j]! + (widths[j]! * step) / 4]);
				};
				walk([]);
				// Steps from the answer towards each rival catch a near miss that the coarse grid would not.
				const nearby = rivals.map((rival) => found.map((value, j) => value + 1e-3 * (rival[j]! - value)));
				const [best, nearness] = [cost(problem, found), away(found, middle)];
				for (const rival of [...rivals, ...nearby]) {
					const rivalCost = cost(problem, rival);
					expect(best).toBeLessThanOrEqual(rivalCost + 1e-9);
					if (rivalCost <= best + 1e-12) expect(nearness).toBeLessThanOrEqual(away(rival, middle) + 1e-4);
				}
			}),
			{ numRuns: rounds(400) }
		);
	});

	it('shares a job between two identical slides, and stops one at its end', () => {
		const rows = [[2, 2]];
		const problem = { rows, rightSide: [2], lower: [-3, -3], upper: [3, 3] };
		expect(nearestBoundedLeastSquares(problem, [0, 0])).toEqual([expect.closeTo(0.5, 12), expect.closeTo(0.5, 12)]);
		const short = nearestBoundedLeastSquares({ ...problem, upper: [0.1, 3] }, [-1.45, 0]);
		expect(short[0]).toBeCloseTo(-0.225, 12);
		expect(nearestBoundedLeastSquares({ ...problem, upper: [-1, 3] }, [-2, 0])).toEqual([-1, 2]);
	});

	it('leaves a variable that changes nothing at its preferred value', () => {
		const found = nearestBoundedLeastSquares(
			{ rows: [[1, 0]], rightSide: [0.3], lower: [-1, -1], upper: [1, 5] },
			[0, 2]
		);
		expect(found[0]).toBeCloseTo(0.3, 12);
		expect(found[1]).toBeCloseTo(2, 12);
	});
});
