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
		expect(units.mPerSFromMph(1)).toBe(0.44704);
		expect(units.weightFromKg(1)).toBe(9.80665);
		expect(units.nFromLbf(1)).toBeCloseTo(4.4482216152605, 12);
		expect(units.lbfFtFromNm(1.35581794833)).toBeCloseTo(1, 11);
		expect(units.ozfInFromNm(0.00706155181422604)).toBeCloseTo(1, 9);
		expect(units.lbIn2FromKgM2(0.00029263965343)).toBeCloseTo(1, 9);
		expect([units.fahrenheitFromCelsius(-40), units.fahrenheitFromCelsius(100)]).toEqual([-40, 212]);
	});

	it.each([
		['millimetres', units.mmFromM, units.mFromMm],
		['inches', units.inFromM, units.mFromIn],
		['feet', units.ftFromM, units.mFromFt],
		['grams', units.gFromKg, units.kgFromG],
		['pounds', units.lbFromKg, units.kgFromLb],
		['newtons of weight', units.kgFromWeight, units.weightFromKg],
		['ounces', units.ozFromKg, units.kgFromOz],
		['miles an hour', units.mphFromMPerS, units.mPerSFromMph],
		['square feet', units.sqFtFromM2, units.m2FromSqFt],
		['pounds of force', units.lbfFromN, units.nFromLbf],
		['ounce-inches', units.ozfInFromNm, units.nmFromOzfIn],
		['pound-feet', units.lbfFtFromNm, units.nmFromLbfFt],
		['degrees Fahrenheit', units.fahrenheitFromCelsius, units.celsiusFromFahrenheit]
	])('there and back gives the same: %s', (_name, there, back) => {
		fc.assert(fc.property(value, (si) => Math.abs(back(there(si)) - si) <= 1e-11 * Math.max(1, Math.abs(si))));
	});
});
