import { describe, expect, it } from 'vitest';
import { bubblePlace, longTube, tinyTube } from './bubble';

describe.each([
	['long', longTube],
	['tiny', tinyTube]
])('the bubble of a %s tube', (_name, tube) => {
	it('lies whole between the marks exactly while within tolerance', () => {
		expect(bubblePlace(1, tube) + tube.bubbleShare).toBeCloseTo(tube.markShare, 12);
		expect(bubblePlace(-1, tube) - tube.bubbleShare).toBeCloseTo(-tube.markShare, 12);
		expect(bubblePlace(1.01, tube) + tube.bubbleShare).toBeGreaterThan(tube.markShare);
	});

	it('keeps moving outwards and never leaves the tube', () => {
		let last = -1;
		for (let offset = 0; offset < 500; offset += 0.5) {
			const place = bubblePlace(offset, tube);
			expect(place).toBeGreaterThan(last);
			expect(place + tube.bubbleShare).toBeLessThanOrEqual(1);
			expect(bubblePlace(-offset, tube)).toBeCloseTo(-place, 12);
			last = place;
		}
	});
});
