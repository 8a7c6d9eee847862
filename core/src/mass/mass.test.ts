import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Body, boxInertia, cgFromTwoScales, combineBodies, PhysicsInputError, type Vec3 } from '../index';

const metre = fc.double({ min: -1, max: 1, noNaN: true });
const vector = fc.tuple(metre, metre, metre) as fc.Arbitrary<Vec3>;
const body: fc.Arbitrary<Body> = fc.record({ massKg: fc.double({ min: 0.01, max: 20, noNaN: true }), cgM: vector });
const bodies = fc.array(body, { minLength: 1, maxLength: 8 });

/** Sums of at most eight terms of order 20 kg·m²: rounding stays far below this. */
const rounding = 1e-10;

const close = (got: number, wanted: number) => expect(Math.abs(got - wanted)).toBeLessThanOrEqual(rounding);

describe('combineBodies', () => {
	it('does not mind the order of the parts', () => {
		fc.assert(
			fc.property(bodies, (parts) => {
				const [there, back] = [combineBodies({ bodies: parts }), combineBodies({ bodies: [...parts].reverse() })];
				there.cgM.forEach((value, axis) => close(value, back.cgM[axis]!));
				close(there.inertiaKgM2.xz, back.inertiaKgM2.xz);
				close(there.inertiaKgM2.yy, back.inertiaKgM2.yy);
			})
		);
	});

	it('gives the same body whether parts are joined at once or in two goes', () => {
		fc.assert(
			fc.property(bodies, bodies, (left, right) => {
				const whole = combineBodies({ bodies: [...left, ...right] });
				const inTwo = combineBodies({ bodies: [combineBodies({ bodies: left }), combineBodies({ bodies: right })] });
				close(whole.massKg, inTwo.massKg);
				for (const field of ['xx', 'yy', 'zz', 'xy', 'xz', 'yz'] as const)
					close(whole.inertiaKgM2[field], inTwo.inertiaKgM2[field]);
			})
		);
	});

	it('keeps its inertia when everything is carried elsewhere', () => {
		fc.assert(
			fc.property(bodies, vector, (parts, by) => {
				const carried = parts.map(({ massKg, cgM }) => ({
					massKg,
					cgM: [cgM[0] + by[0], cgM[1] + by[1], cgM[2] + by[2]] as Vec3
				}));
				const [here, there] = [combineBodies({ bodies: parts }), combineBodies({ bodies: carried })];
				close(here.inertiaKgM2.xx, there.inertiaKgM2.xx);
				close(here.inertiaKgM2.yz, there.inertiaKgM2.yz);
				close(here.cgM[2] + by[2], there.cgM[2]);
			})
		);
	});

	it('builds a box from its two halves', () => {
		const half = { massKg: 1, inertiaKgM2: boxInertia({ massKg: 1, sizeM: [0.1, 0.2, 0.3] }) };
		const joined = combineBodies({
			bodies: [
				{ ...half, cgM: [-0.05, 0, 0] },
				{ ...half, cgM: [0.05, 0, 0] }
			]
		});
		const whole = boxInertia({ massKg: 2, sizeM: [0.2, 0.2, 0.3] });
		expect(joined.inertiaKgM2.yy).toBeCloseTo(whole.yy, 14);
		expect(joined.inertiaKgM2.xx).toBeCloseTo(whole.xx, 14);
	});

	it.each([
		['an empty list', [], 'bodies'],
		['a negative mass', [{ massKg: -1, cgM: [0, 0, 0] }], 'bodies[0].massKg'],
		['no mass at all', [{ massKg: 0, cgM: [0, 0, 0] }], 'bodies'],
		['a place that is not a number', [{ massKg: 1, cgM: [0, Number.NaN, 0] }], 'bodies[0].cgM[1]'],
		['an endless mass', [{ massKg: Infinity, cgM: [0, 0, 0] }], 'bodies[0].massKg'],
		['two coordinates', [{ massKg: 1, cgM: [0, 0] }], 'bodies[0].cgM']
	])('refuses %s and names the field', (_what, given, path) => {
		const attempt = () => combineBodies({ bodies: given as unknown as Body[] });
		expect(attempt).toThrow(PhysicsInputError);
		expect(attempt).toThrow(path);
	});
});

describe('cgFromTwoScales', () => {
	it('finds the end that carries everything', () => {
		expect(cgFromTwoScales({ scaleAKg: 0, scaleBKg: 2, spanM: 0.5 }).distanceFromAM).toBe(0.5);
	});
	it('refuses two empty scales', () => {
		expect(() => cgFromTwoScales({ scaleAKg: 0, scaleBKg: 0, spanM: 0.5 })).toThrow('scaleBKg');
	});
});
