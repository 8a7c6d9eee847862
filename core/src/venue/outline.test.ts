import { describe, expect, it } from 'vitest';
import { crossingSides, isInside, outlineAreaM2, type Point, seededRandom } from '../index';

const square: readonly Point[] = [
	[0, 0],
	[2, 0],
	[2, 2],
	[0, 2]
];

describe('an outline', () => {
	it.each<[string, readonly Point[], readonly [number, number] | null]>([
		['a square', square, null],
		['a bow tie', [square[0]!, square[2]!, square[1]!, square[3]!], [0, 2]],
		['a triangle', square.slice(0, 3), null],
		['a line there and back', [square[0]!, square[1]!, square[0]!, square[1]!], null],
		['a corner that touches a side', [...square, [1, 0]], null],
		['a corner that goes through a side', [...square, [1, -1]], [0, 3]],
		['a tooth through the other side', [square[0]!, square[1]!, square[2]!, [1, -1], square[3]!], [0, 2]]
	])('%s', (_, outline, crossing) => {
		expect(crossingSides(outline)).toEqual(crossing);
	});
	it('has an area, negative clockwise, the same wherever it lies and starts', () => {
		expect(outlineAreaM2(square)).toBe(4);
		expect(outlineAreaM2([...square].reverse())).toBe(-4);
		const moved = [...square.slice(2), ...square.slice(0, 2)].map(([x, y]): Point => [x + 300, y - 70]);
		expect(outlineAreaM2(moved)).toBeCloseTo(4, 9);
		expect(outlineAreaM2([])).toBe(0);
	});
	it('holds as many random points inside as its area says', () => {
		const corner: Point[] = [
			[0, 0],
			[4, 0],
			[4, 1],
			[1, 1],
			[1, 4],
			[0, 4]
		];
		const random = seededRandom(5);
		let inside = 0;
		for (let count = 0; count < 4000; count += 1) if (isInside([4 * random(), 4 * random()], corner)) inside += 1;
		// 7 of 16 m²; the count strays by some 0.8 % of all.
		expect(Math.abs(inside / 4000 - outlineAreaM2(corner) / 16)).toBeLessThan(0.03);
	});
	it('never crosses itself when its corners go round a point, however far out each is', () => {
		const random = seededRandom(8);
		for (let turn = 0; turn < 200; turn += 1) {
			const count = 3 + Math.floor(9 * random());
			const star = Array.from({ length: count }, (_, index): Point => {
				const [angle, far] = [(2 * Math.PI * index) / count, 0.2 + 5 * random()];
				return [far * Math.cos(angle), far * Math.sin(angle)];
			});
			expect(crossingSides(star)).toBeNull();
			expect(outlineAreaM2(star)).toBeGreaterThan(0);
		}
	});
});
