import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { roomBubble } from './roomBubble';

const metres = (min: number, max: number) => fc.double({ min, max, noNaN: true });

describe('room against what is asked', () => {
	it('just what is asked lies on the left mark, twice as much half way to the middle, less past the mark', () => {
		expect(roomBubble(0.3, 0.3)).toBeCloseTo(-1, 9);
		expect(roomBubble(0.6, 0.3)).toBeCloseTo(-0.5, 9);
		expect(roomBubble(1.7, 0.35)).toBeGreaterThan(roomBubble(0.36, 0.35));
		expect(roomBubble(0.2, 0.3)).toBeLessThan(-1);
		expect(roomBubble(-0.1, 0)).toBeLessThan(-1);
		expect(roomBubble(0, 0)).toBeLessThan(-1);
	});
	it('more room never stands further out, and inside the marks stands just what keeps what is asked', () => {
		fc.assert(
			fc.property(metres(-2, 20), metres(-2, 20), metres(0, 12), (one, two, wanted) => {
				const [less, more] = [Math.min(one, two), Math.max(one, two)];
				expect(roomBubble(more, wanted)).toBeGreaterThanOrEqual(roomBubble(less, wanted));
				expect(Math.abs(roomBubble(one, wanted)) <= 1).toBe(one >= wanted && one > 0);
			})
		);
	});
});
