import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { isWithin, type Limit, limits } from '$lib/model/limits';
import { craneLimits } from '$lib/supports/crane/limits';
import { sledLimits } from '$lib/supports/sled/limits';
import { sliderLimits } from '$lib/supports/slider/limits';
import { within } from '$lib/server/schemas/quantities';
import { allowed, limitWords } from './allowed';

const table: readonly (readonly [string, Limit])[] = [limits, craneLimits, sledLimits, sliderLimits].flatMap((each) =>
	Object.entries(each)
);

describe('the table of limits', () => {
	it.each(table)(
		'gives %s two finite ends in their order, and a reason that is a sentence',
		(_, { least, most, why }) => {
			expect(Number.isFinite(least) && Number.isFinite(most) && least < most).toBe(true);
			expect(why).toMatch(/^[A-Z0-9].*\.$/);
		}
	);
	it('lets the field and the server’s schema take and refuse the very same figures, at the ends too', () => {
		for (const [name, limit] of table) {
			const [schema, check] = [within(limit), allowed(limit, 'count')];
			const agree = (value: number) =>
				expect(schema.validate(value).error === undefined, `${name} ${value}`).toBe(check(value) === null);
			for (const end of [limit.least, limit.most]) {
				agree(end);
				agree(end + Math.max(1e-9, Math.abs(end) * 1e-9));
				agree(end - Math.max(1e-9, Math.abs(end) * 1e-9));
			}
			const span = limit.most - limit.least;
			fc.assert(
				fc.property(
					fc.double({ min: limit.least - span, max: limit.most + span, noNaN: true }).filter(Number.isFinite),
					(value) => {
						if (Math.abs(value) <= Number.MAX_SAFE_INTEGER) agree(value);
					}
				),
				{ numRuns: 40 }
			);
			expect([NaN, Infinity, -Infinity].some((value) => isWithin(limit, value))).toBe(false);
			expect(check(limit.most)).toBeNull();
			expect(check(limit.least) === null).toBe(limit.above !== true);
		}
	});
	it.each([
		[{ least: 0.05, most: 6 }, 'length', 'Between 50 mm and 6 m.'],
		[{ least: 0.0002, most: 0.02 }, 'length', 'Between 0.2 and 20 mm.'],
		[{ least: 0, most: 1 }, 'length', 'Between 0 and 1 m.'],
		[{ least: -1.5, most: 1.5 }, 'length', 'Within 1.5 m.'],
		[{ least: 0, most: 60, above: true }, 'mass', 'More than 0, up to 60 kg.'],
		[{ least: 0.01, most: 60 }, 'mass', 'Between 10 g and 60 kg.'],
		[{ least: 0.1, most: 600, above: true }, 'time', 'More than 0.1 s, up to 600 s.'],
		[{ least: -200, most: 500 }, 'count', 'Between −200 and 500.'],
		[{ least: 0, most: 0.6 }, 'angle', 'Between 0 and 34°.'],
		[{ least: 0, most: 0.9 }, 'share', 'Between 0 and 90 %.']
	] as const)('says %o of a %s in words', (limit, quantity, words) => {
		expect(limitWords({ ...limit, why: '' }, quantity)).toBe(words);
	});
});
