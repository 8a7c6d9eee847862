import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { leastBetween } from './goldenSection';

const place = fc.double({ min: -3, max: 3, noNaN: true });
describe('the golden section', () => {
	it('finds the least of what falls and then rises, at either end too', () =>
		fc.assert(
			fc.property(place, place, place, (least, a, b) => {
				const [from, to] = a < b ? [a, b] : [b, a];
				const found = leastBetween((at) => Math.abs(at - least), [from, to], 1e-9);
				expect(Math.abs(found - Math.min(to, Math.max(from, least)))).toBeLessThan(2e-9);
			})
		));
	it('ends at the first place that is enough', () => {
		let asks = 0;
		const found = leastBetween((at) => ((asks += 1), Math.abs(at - 0.7)), [0, 1], 1e-9, 0.2);
		expect(Math.abs(found - 0.7)).toBeLessThanOrEqual(0.2);
		expect(asks).toBe(2);
	});
	it('ends where no number lies between', () => {
		expect(leastBetween((at) => at, [0.05, 0.05 + 1e-15], 1e-30)).toBeCloseTo(0.05, 12);
		expect(leastBetween((at) => at, [2, 2], 0)).toBe(2);
	});
});
