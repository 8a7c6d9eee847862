import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { PhysicsInputError, railLoads, type RailLoadsInput } from '../index';
import { standardGravityMPerS2 as g } from '../mass/body';

const rail: RailLoadsInput = { railKg: 3, lengthM: 1.2, carriedKg: 5, atM: 0.6, supportsM: [0.1, 1.1], inclineRad: 0 };
const share = fc.double({ min: 0, max: 1, noNaN: true });
const anyRail = fc
	.record({
		railKg: fc.double({ min: 0, max: 20, noNaN: true }),
		lengthM: fc.double({ min: 0.2, max: 5, noNaN: true }),
		carriedKg: fc.double({ min: 0, max: 40, noNaN: true }),
		overhangM: fc.double({ min: -1, max: 1, noNaN: true }),
		standoffM: fc.double({ min: -1, max: 1, noNaN: true }),
		inclineRad: fc.double({ min: -Math.PI / 2, max: Math.PI / 2, noNaN: true }),
		at: share,
		first: fc.double({ min: 0, max: 0.4, noNaN: true }),
		second: fc.double({ min: 0.6, max: 1, noNaN: true })
	})
	.map(({ at, first, second, ...rest }) => ({
		...rest,
		atM: at * rest.lengthM,
		supportsM: [first * rest.lengthM, second * rest.lengthM] as const
	}));

describe('the loads of a rail', () => {
	it('are shared evenly by symmetry, and the support that the carriage nears takes more', () => {
		const [one, two] = railLoads(rail).supportsN;
		expect(one).toBeCloseTo(4 * g, 9);
		expect(two).toBeCloseTo(4 * g, 9);
		const [near, far] = railLoads({ ...rail, atM: 0.2 }).supportsN;
		expect(near!).toBeGreaterThan(far!);
	});

	it('lift the other support off when the carriage runs past one, and turn the far end of a clamped rail down', () => {
		expect(railLoads({ ...rail, supportsM: [0.1, 0.5], atM: 1.2 }).supportsN[0]).toBeLessThan(0);
		expect(railLoads({ ...rail, supportsM: [0.6], atM: 1.2 }).momentNm).toBeGreaterThan(0);
		expect(railLoads({ ...rail, supportsM: [0.6], atM: 0 }).momentNm).toBeLessThan(0);
	});

	it('pull the carriage back down the side it rises to', () => {
		expect(railLoads({ ...rail, inclineRad: 0.3 }).holdN).toBeCloseTo(5 * g * Math.sin(0.3), 9);
		expect(railLoads({ ...rail, inclineRad: -0.3 }).holdN).toBeLessThan(0);
	});

	it('put a standing load on the lower support of a slope, and a hanging one on the upper', () => {
		const level = { ...rail, inclineRad: 0.4 };
		const lower = (standoffM: number) => railLoads({ ...level, standoffM }).supportsN[0]!;
		expect(lower(0.3)).toBeGreaterThan(lower(0));
		expect(lower(-0.3)).toBeLessThan(lower(0));
	});

	it('hold the whole still: forces square to the rail, along it, and moments about any point come to nothing', () =>
		fc.assert(
			fc.property(anyRail, share, (input, about) => {
				const { supportsN, holdN, slipN } = railLoads(input);
				const { railKg, carriedKg, lengthM, atM, overhangM, standoffM, inclineRad, supportsM } = input;
				// Worked out in the room's axes instead of the rail's: x along the floor, z up.
				const [c, s] = [Math.cos(inclineRad), Math.sin(inclineRad)];
				const place = (u: number, v: number) => [u * c - v * s, u * s + v * c] as const;
				const weights = [
					{ n: railKg * g, at: place(lengthM / 2, 0) },
					{ n: carriedKg * g, at: place(atM + overhangM, standoffM) }
				];
				const scale = 1 + (railKg + carriedKg) * g * (lengthM + 2);
				const [px, pz] = place(about * lengthM, 0);
				let [fx, fz, moment] = [slipN * c, slipN * s, 0];
				for (const { n, at } of weights) {
					fz -= n;
					moment -= (at[0] - px) * n;
				}
				supportsM.forEach((u, index) => {
					const n = supportsN[index]!;
					const [x, z] = place(u, 0);
					fx += -s * n;
					fz += c * n;
					moment += (x - px) * c * n - (z - pz) * -s * n;
				});
				expect(Math.abs(fx) / scale).toBeLessThan(1e-12);
				expect(Math.abs(fz) / scale).toBeLessThan(1e-12);
				expect(Math.abs(moment) / scale).toBeLessThan(1e-12);
				expect(holdN).toBeCloseTo(carriedKg * g * s, 9);
			})
		));

	it('are the same whichever support is named first', () =>
		fc.assert(
			fc.property(anyRail, (input) => {
				const [a, b] = railLoads(input).supportsN;
				const [later, sooner] = railLoads({ ...input, supportsM: [...input.supportsM].reverse() }).supportsN;
				expect(Math.abs(a! - sooner!) + Math.abs(b! - later!)).toBeLessThan(1e-8 * (1 + Math.abs(a!) + Math.abs(b!)));
			})
		));

	it.each([
		['a carriage past the end', { atM: 1.21 }, 'atM'],
		['a support before the start', { supportsM: [-0.1, 1] }, 'supportsM[0]'],
		['two supports in one place', { supportsM: [0.5, 0.5] }, 'supportsM'],
		['three supports', { supportsM: [0, 0.5, 1] }, 'supportsM'],
		['none', { supportsM: [] }, 'supportsM'],
		['a rail beyond the vertical', { inclineRad: 1.7 }, 'inclineRad'],
		['no number', { carriedKg: NaN }, 'carriedKg'],
		['an endless stand-off', { standoffM: Infinity }, 'standoffM'],
		['a weight below nothing', { railKg: -1 }, 'railKg']
	])('refuse %s', (_what, change, path) => {
		expect(() => railLoads({ ...rail, ...change })).toThrow(PhysicsInputError);
		expect(() => railLoads({ ...rail, ...change })).toThrow(path);
	});
});
