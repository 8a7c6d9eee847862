import { describe, expect, it } from 'vitest';
import { bubblePlace, bubbleShare, markShare } from './bubble';

describe('the bubble', () => {
	it('lies whole between the marks exactly while within tolerance', () => {
		expect(bubblePlace(1) + bubbleShare).toBeCloseTo(markShare, 12);
		expect(bubblePlace(-1) - bubbleShare).toBeCloseTo(-markShare, 12);
		expect(bubblePlace(1.01) + bubbleShare).toBeGreaterThan(markShare);
	});

	it('keeps moving outwards and never leaves the tube', () => {
		let last = -1;
		for (let offset = 0; offset < 500; offset += 0.5) {
			const place = bubblePlace(offset);
			expect(place).toBeGreaterThan(last);
			expect(place + bubbleShare).toBeLessThanOrEqual(1);
			expect(bubblePlace(-offset)).toBeCloseTo(-place, 12);
			last = place;
		}
	});
});
