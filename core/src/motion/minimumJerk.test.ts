import { describe, expect, it } from 'vitest';
import { minimumJerk, minimumJerkAccel, minimumJerkRate } from './minimumJerk';

const shares = Array.from({ length: 101 }, (_, k) => k / 100);

describe('the minimum-jerk law', () => {
	it('goes from 0 to 1, at rest and unhurried at both ends', () => {
		expect([minimumJerk(0), minimumJerk(0.5), minimumJerk(1)]).toEqual([0, 0.5, 1]);
		for (const end of [0, 1]) expect([minimumJerkRate(end), minimumJerkAccel(end) + 0]).toEqual([0, 0]);
	});
	it('has the derivatives it says, by differences', () => {
		const h = 1e-5;
		for (const s of shares.slice(1, -1)) {
			expect(minimumJerkRate(s)).toBeCloseTo((minimumJerk(s + h) - minimumJerk(s - h)) / (2 * h), 7);
			expect(minimumJerkAccel(s)).toBeCloseTo((minimumJerkRate(s + h) - minimumJerkRate(s - h)) / (2 * h), 6);
		}
	});
	it('is quickest in the middle, and hurries most a fifth of the way in', () => {
		expect(Math.max(...shares.map(minimumJerkRate))).toBe(1.875);
		expect(minimumJerkAccel((3 - Math.sqrt(3)) / 6)).toBeCloseTo(10 / Math.sqrt(3), 12);
		for (const s of shares) expect(Math.abs(minimumJerkAccel(s))).toBeLessThanOrEqual(10 / Math.sqrt(3) + 1e-12);
	});
});
