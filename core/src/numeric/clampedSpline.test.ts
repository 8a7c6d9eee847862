import { describe, expect, it } from 'vitest';
import { clampedSpline } from './clampedSpline';

describe('a clamped spline', () => {
	const xs = [0, 0.3, 0.45, 1];
	const ys = [1, -2, 0.5, 4];
	const jet = clampedSpline(xs, ys);
	const at = (x: number) => jet(x)[0];
	const slope = (x: number, h = 1e-5) => (at(x + h) - at(x - h)) / (2 * h);
	const bend = (x: number, h = 1e-4) => (at(x + h) - 2 * at(x) + at(x - h)) / (h * h);

	it('goes through its points and rests at both ends', () => {
		xs.forEach((x, index) => expect(at(x)).toBeCloseTo(ys[index]!, 12));
		expect((at(1e-6) - at(0)) / 1e-6).toBeCloseTo(0, 3);
		expect((at(1) - at(1 - 1e-6)) / 1e-6).toBeCloseTo(0, 3);
		expect([at(-1), at(2)]).toEqual([1, 4]);
	});
	it('has neither a kink nor a jump in its bend at the inner points', () => {
		for (const x of [0.3, 0.45]) {
			expect(slope(x - 2e-6, 1e-6)).toBeCloseTo(slope(x + 2e-6, 1e-6), 2);
			const [before, after] = [bend(x - 3e-4), bend(x + 3e-4)];
			expect(Math.abs(before - after)).toBeLessThan(0.01 * Math.max(Math.abs(before), 10));
		}
	});
	it('is the one cubic with rest at both ends between two points', () => {
		const two = clampedSpline([0, 2], [0, 1]);
		for (const t of [0.1, 0.5, 0.8]) expect(two(2 * t)[0]).toBeCloseTo(t * t * (3 - 2 * t), 12);
	});
	it('gives a cubic that rests at both ends back exactly, wherever its points lie', () => {
		const cubic = (x: number) => 5 * x * x * (3 - 2 * x) - 2;
		const points = [0, 0.17, 0.5, 0.62, 1];
		const found = clampedSpline(points, points.map(cubic));
		for (let x = 0; x <= 1; x += 0.05) expect(found(x)[0]).toBeCloseTo(cubic(x), 12);
	});
	it('has the slope and the bend that its values have, and none beyond its ends but the last', () => {
		const h = 1e-4;
		for (let x = 0.01; x < 0.99; x += 0.0173) {
			if (xs.some((knot) => Math.abs(knot - x) < 2 * h)) continue;
			expect(jet(x)[1]).toBeCloseTo((at(x + h) - at(x - h)) / (2 * h), 4);
			expect(jet(x)[2]).toBeCloseTo((at(x + h) - 2 * at(x) + at(x - h)) / (h * h), 3);
		}
		expect(jet(-1)).toEqual(jet(0));
		expect(jet(2)).toEqual(jet(1));
		expect(jet(0)[1]).toBeCloseTo(0, 12);
		expect(jet(1)[1]).toBeCloseTo(0, 9);
	});
});
