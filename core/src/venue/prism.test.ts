import { describe, expect, it } from 'vitest';
import { isInside, type Point, type Prism, prismDistance, seededRandom, type Vec3 } from '../index';

const box: Prism = {
	id: 'box',
	outlineM: [
		[1, -1],
		[3, -1],
		[3, 1],
		[1, 1]
	],
	closed: true,
	bottomM: 0.5,
	topM: 2
};
/** An L, so that the hull would give another answer. */
const corner: Prism = {
	id: 'corner',
	outlineM: [
		[0, 0],
		[4, 0],
		[4, 1],
		[1, 1],
		[1, 4],
		[0, 4]
	],
	closed: true,
	bottomM: 0,
	topM: 2
};

describe('the distance from a straight piece to something upright', () => {
	it.each<[string, Vec3, Vec3, number]>([
		['a point beside it', [0, 0, 1], [0, 0, 1], 1],
		['a point off its corner', [0, 2, 1], [0, 2, 1], Math.SQRT2],
		['a point over it', [2, 0, 5], [2, 0, 5], 3],
		['a point under it', [2, 0, 0], [2, 0, 0], 0.5],
		['a point in it', [2, 0, 1], [2, 0, 1], 0],
		['a piece passing over it', [0, 0, 2.25], [4, 0, 2.25], 0.25],
		['a piece sloping over its near edge', [0, 0, 1], [4, 0, 5], 0],
		['a piece through it', [0, 0, 1], [4, 0.3, 1.2], 0],
		['a piece past its side', [0, 1.4, 1], [9, 1.4, 1], 0.4],
		['a piece off its top corner', [0, 4, 5], [4, 4, 5], Math.hypot(3, 3)]
	])('%s', (_, aM, bM, expected) => {
		expect(prismDistance({ aM, bM, prism: box })).toBeCloseTo(expected, 9);
	});
	it('goes into the dent of an outline that is not convex', () => {
		expect(prismDistance({ aM: [3, 3, 1], bM: [3, 3, 1], prism: corner })).toBeCloseTo(2, 9);
		expect(isInside([3, 3], corner.outlineM)).toBe(false);
		expect(isInside([0.5, 3], corner.outlineM)).toBe(true);
	});
	it('counts only the sheet of a wall, not what it bends round', () => {
		const bend: Prism = { ...corner, id: 'bend', closed: false };
		expect(prismDistance({ aM: [0.5, 0.5, 1], bM: [0.5, 0.5, 1], prism: bend })).toBeCloseTo(0.5, 9);
		expect(prismDistance({ aM: [0.5, 0.5, 1], bM: [0.5, 0.5, 1], prism: corner })).toBe(0);
		// The side that would close it is not there.
		expect(prismDistance({ aM: [-0.2, 2, 1], bM: [-0.2, 2, 1], prism: bend })).toBeCloseTo(1.2, 9);
	});
	it('is never more than any point of the piece finds, nor less than the finest sampling allows', () => {
		const random = seededRandom(11);
		const at = (low: number, high: number) => low + (high - low) * random();
		for (let turn = 0; turn < 200; turn += 1) {
			const aM: Vec3 = [at(-3, 6), at(-3, 6), at(-1, 4)];
			const bM: Vec3 = [at(-3, 6), at(-3, 6), at(-1, 4)];
			const prism = turn % 2 === 0 ? corner : box;
			const found = prismDistance({ aM, bM, prism });
			const steps = 400;
			let sampled = Infinity;
			for (let step = 0; step <= steps; step += 1) {
				const t = step / steps;
				const point: Vec3 = [aM[0] + t * (bM[0] - aM[0]), aM[1] + t * (bM[1] - aM[1]), aM[2] + t * (bM[2] - aM[2])];
				sampled = Math.min(sampled, prismDistance({ aM: point, bM: point, prism }));
			}
			const gap = Math.hypot(bM[0] - aM[0], bM[1] - aM[1], bM[2] - aM[2]) / steps;
			expect(found).toBeLessThanOrEqual(sampled + 1e-9);
			expect(found).toBeGreaterThanOrEqual(sampled - gap);
		}
	});
	it('does not care which way round an outline goes, nor which end comes first', () => {
		const other = { ...corner, outlineM: [...corner.outlineM].reverse() };
		const [aM, bM]: [Vec3, Vec3] = [
			[2, 3, 3],
			[5, 2, 1]
		];
		const one = prismDistance({ aM, bM, prism: corner });
		expect(prismDistance({ aM: bM, bM: aM, prism: other })).toBeCloseTo(one, 7);
	});
	it.each<[string, Partial<Prism>]>([
		['outlineM', { outlineM: [[0, 0] as Point, [1, 1] as Point] }],
		[
			'outlineM[0][1]',
			{
				outlineM: [
					[0, NaN],
					[1, 0],
					[1, 1]
				]
			}
		],
		['topM', { topM: 0 }]
	])('refuses what is none: %s', (field, wrong) => {
		const prism = { ...box, ...wrong };
		expect(() => prismDistance({ aM: [0, 0, 0], bM: [0, 0, 0], prism })).toThrow(`shapes[0].${field}`);
	});
	it('is right where a piece lies along a side, in its plane, upright, or is a point', () => {
		const random = seededRandom(5);
		const whole = () => Math.round(8 * random() - 3) / 2;
		for (let turn = 0; turn < 2000; turn += 1) {
			const aM: Vec3 = [whole(), whole(), whole()];
			const bM: Vec3 =
				random() < 0.1
					? aM
					: random() < 0.3
						? [aM[0], aM[1], whole()]
						: [whole(), whole(), random() < 0.5 ? aM[2] : whole()];
			const prism = turn % 3 === 0 ? corner : turn % 3 === 1 ? box : { ...corner, closed: false };
			const found = prismDistance({ aM, bM, prism });
			expect(prismDistance({ aM: bM, bM: aM, prism })).toBeCloseTo(found, 9);
			let sampled = Infinity;
			for (let step = 0; step <= 240; step += 1) {
				const at = ([0, 1, 2] as const).map((k) => aM[k] + (step / 240) * (bM[k] - aM[k])) as unknown as Vec3;
				sampled = Math.min(sampled, prismDistance({ aM: at, bM: at, prism }));
			}
			expect(found).toBeLessThanOrEqual(sampled + 1e-9);
			expect(found).toBeGreaterThanOrEqual(
				sampled - Math.hypot(bM[0] - aM[0], bM[1] - aM[1], bM[2] - aM[2]) / 480 - 1e-9
			);
		}
	});
});
