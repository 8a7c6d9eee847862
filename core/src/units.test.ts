import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import * as units from './index';

const value = fc.double({ min: -1e4, max: 1e4, noNaN: true });

describe('units', () => {
	it('are exact where they are defined exactly', () => {
		expect(units.mFromIn(1)).toBe(0.0254);
		expect(units.kgFromLb(1)).toBe(0.45359237);
		expect(units.kgFromOz(16)).toBe(0.45359237);
		expect(units.mFromMm(1000)).toBe(1);
		expect(units.mFromCm(250)).toBe(2.5);
	});

	it.each([
		['millimetres', units.mmFromM, units.mFromMm],
		['inches', units.inFromM, units.mFromIn],
		['feet', units.ftFromM, units.mFromFt],
		['grams', units.gFromKg, units.kgFromG],
		['pounds', units.lbFromKg, units.kgFromLb],
		['ounces', units.ozFromKg, units.kgFromOz]
	])('there and back gives the same: %s', (_name, there, back) => {
		fc.assert(fc.property(value, (si) => Math.abs(back(there(si)) - si) <= 1e-12 * Math.max(1, Math.abs(si))));
	});
});
