import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type OwnScale, settingFor, valueAt } from '../index';

const number = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const scales: fc.Arbitrary<OwnScale> = fc
	.record({
		law: fc.constantFrom('linear' as const, 'log' as const),
		from: number(-50, 50),
		span: number(1, 200),
		low: number(0.01, 5),
		times: number(1.1, 40)
	})
	.map(({ law, from, span, low, times }) => ({
		law,
		least: { setting: from, value: low },
		greatest: { setting: from + span, value: low * times }
	}));

describe('a scale of the gimbal’s own', () => {
	it('has at its ends what was said of them, and rises between', () => {
		fc.assert(
			fc.property(scales, number(0, 1), (scale, share) => {
				const { least, greatest } = scale;
				expect(valueAt({ scale, setting: least.setting }).value).toBeCloseTo(least.value, 9);
				expect(valueAt({ scale, setting: greatest.setting }).value / greatest.value).toBeCloseTo(1, 9);
				const setting = least.setting + share * (greatest.setting - least.setting);
				const { value } = valueAt({ scale, setting });
				expect(value).toBeGreaterThanOrEqual(least.value * (1 - 1e-9));
				expect(value).toBeLessThanOrEqual(greatest.value * (1 + 1e-9));
				expect(settingFor({ scale, value }).setting).toBeCloseTo(setting, 6);
			})
		);
	});

	it('a logarithmic scale has its geometric mean in the middle, a linear one the arithmetic', () => {
		const ends = { least: { setting: 0, value: 1 }, greatest: { setting: 10, value: 4 } };
		expect(valueAt({ scale: { law: 'log', ...ends }, setting: 5 }).value).toBeCloseTo(2, 12);
		expect(valueAt({ scale: { law: 'linear', ...ends }, setting: 5 }).value).toBeCloseTo(2.5, 12);
	});

	it('a scale may count downwards', () => {
		const scale: OwnScale = { law: 'log', least: { setting: 0, value: 8 }, greatest: { setting: 10, value: 2 } };
		expect(settingFor({ scale, value: 4 }).setting).toBeCloseTo(5, 12);
		expect(settingFor({ scale, value: 9 })).toEqual({ setting: 0, within: false });
		expect(settingFor({ scale, value: 1 })).toEqual({ setting: 10, within: false });
		expect(settingFor({ scale, value: 0 })).toEqual({ setting: 10, within: false });
	});

	it('what lies beyond stops at the nearer end and says so', () => {
		const scale: OwnScale = { law: 'linear', least: { setting: 0, value: 1 }, greatest: { setting: 100, value: 3 } };
		expect(settingFor({ scale, value: 0.5 })).toEqual({ setting: 0, within: false });
		expect(settingFor({ scale, value: 3.5 })).toEqual({ setting: 100, within: false });
		expect(settingFor({ scale, value: 3 })).toEqual({ setting: 100, within: true });
		expect(valueAt({ scale, setting: -80 }).value).toBe(0);
	});
});
