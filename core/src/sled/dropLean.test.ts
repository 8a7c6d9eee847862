import { describe, expect, it } from 'vitest';
import { dropLean } from '../index';
import { dropConstant } from './dropTime';

describe('dropLean', () => {
	it('starts level, passes vertical at the drop time, stands level on the other side at twice it', () => {
		for (const dropTimeS of [0.8, 2.5, 7]) {
			expect(dropLean({ dropTimeS, atS: 0 })).toBeCloseTo(Math.PI / 2, 7);
			expect(dropLean({ dropTimeS, atS: dropTimeS })).toBeCloseTo(0, 12);
			expect(dropLean({ dropTimeS, atS: 2 * dropTimeS })).toBeCloseTo(-Math.PI / 2, 7);
			expect(dropLean({ dropTimeS, atS: 4 * dropTimeS })).toBeCloseTo(Math.PI / 2, 7);
		}
	});

	it('keeps the energy of a pendulum all the way down', () => {
		const dropTimeS = 2.3;
		const step = 1e-4;
		for (let share = 0.05; share < 1; share += 0.05) {
			const atS = share * dropTimeS;
			const rate = (dropLean({ dropTimeS, atS: atS + step }) - dropLean({ dropTimeS, atS: atS - step })) / (2 * step);
			// ½ θ'² = ω² cos θ, ω = K/T, from rest at level.
			expect(rate * rate).toBeCloseTo(2 * (dropConstant / dropTimeS) ** 2 * Math.cos(dropLean({ dropTimeS, atS })), 5);
		}
	});

	it('refuses what has no sense', () => {
		expect(() => dropLean({ dropTimeS: 0, atS: 1 })).toThrow('dropTimeS');
		expect(() => dropLean({ dropTimeS: 1, atS: NaN })).toThrow('atS');
	});
});
