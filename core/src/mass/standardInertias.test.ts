import { describe, expect, it } from 'vitest';
import {
	type Body,
	boxInertia,
	combineBodies,
	cylinderInertia,
	PhysicsInputError,
	rodInertia,
	type Vec3
} from '../index';

/** The solid cut into small cubes, each a point at its middle: converges on the integral with the square of their size. */
function summed(sizeM: Vec3, massKg: number, inside: (at: Vec3) => boolean, cuts = 40) {
	const points: Vec3[] = [];
	for (let i = 0; i < cuts; i += 1)
		for (let j = 0; j < cuts; j += 1)
			for (let k = 0; k < cuts; k += 1) {
				const at = [i, j, k].map((n, axis) => ((n + 0.5) / cuts - 0.5) * sizeM[axis]!) as unknown as Vec3;
				if (inside(at)) points.push(at);
			}
	const bodies: Body[] = points.map((cgM) => ({ massKg: massKg / points.length, cgM }));
	return combineBodies({ bodies }).inertiaKgM2;
}

describe('standard inertias agree with the sum over small cubes', () => {
	it('for a box', () => {
		const [got, sum] = [boxInertia({ massKg: 2, sizeM: [0.2, 0.1, 0.3] }), summed([0.2, 0.1, 0.3], 2, () => true)];
		for (const field of ['xx', 'yy', 'zz'] as const) expect(got[field] / sum[field]).toBeCloseTo(1, 2);
		expect(sum.xy).toBeCloseTo(0, 12);
	});

	it.each(['x', 'y', 'z'] as const)('for a cylinder along %s', (axis) => {
		const [radiusM, lengthM] = [0.05, 0.2];
		const along = { x: 0, y: 1, z: 2 }[axis];
		const sizeM = [0, 1, 2].map((k) => (k === along ? lengthM : 2 * radiusM)) as unknown as Vec3;
		const off = (at: Vec3) => Math.hypot(...at.filter((_, k) => k !== along));
		const sum = summed(sizeM, 1.5, (at) => off(at) <= radiusM);
		const got = cylinderInertia({ massKg: 1.5, radiusM, lengthM, axis });
		// The rim of the cylinder is cut in steps; two per cent covers it at forty cuts.
		for (const field of ['xx', 'yy', 'zz'] as const) expect(Math.abs(got[field] / sum[field] - 1)).toBeLessThan(0.02);
	});

	it('for a rod: a cylinder without thickness', () => {
		for (const axis of ['x', 'y', 'z'] as const) {
			const rod = rodInertia({ massKg: 0.7, lengthM: 0.4, axis });
			const thin = cylinderInertia({ massKg: 0.7, radiusM: 0, lengthM: 0.4, axis });
			for (const field of ['xx', 'yy', 'zz'] as const) expect(rod[field]).toBeCloseTo(thin[field], 15);
		}
	});
});

describe('standard inertias refuse', () => {
	it.each([
		['a negative mass', () => boxInertia({ massKg: -1, sizeM: [1, 1, 1] }), 'massKg'],
		['a negative edge', () => boxInertia({ massKg: 1, sizeM: [1, -1, 1] }), 'sizeM[1]'],
		['a negative radius', () => cylinderInertia({ massKg: 1, radiusM: -1, lengthM: 1, axis: 'x' }), 'radiusM'],
		['an axis that is none', () => rodInertia({ massKg: 1, lengthM: 1, axis: 'w' as 'x' }), 'axis'],
		['a length that is not a number', () => rodInertia({ massKg: 1, lengthM: Number.NaN, axis: 'x' }), 'lengthM']
	])('%s', (_what, attempt, path) => {
		expect(attempt).toThrow(PhysicsInputError);
		expect(attempt).toThrow(path);
	});
});
