import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { horizon, person, seen, type Scene } from './scene';

const lens = { focalM: 0.035, sensorWidthM: 0.036, sensorHeightM: 0.02025 };
const ahead = { positionM: [0, 0, 1.6], headingRad: 0, elevationRad: 0, rollRad: 0 } as const;
const post = (x: number, y: number): Scene => [
	{
		as: 'upright',
		pointsM: [
			[x, y, 0],
			[x, y, 3]
		],
		thickM: 0.1
	}
];

describe('a scene through a lens', () => {
	it('has what stands to the left on the left, and its foot below its head', () => {
		const [left] = seen(post(5, 1), ahead, lens);
		expect(left!.points[0]![0]).toBeLessThan(0.5);
		expect(left!.points[0]![1]).toBeGreaterThan(left!.points[1]![1]);
		const [right] = seen(post(5, -1), ahead, lens);
		expect(right!.points[0]![0]).toBeGreaterThan(0.5);
	});

	it('moves to the left when the camera turns to the right', () => {
		const [before] = seen(post(5, 0), ahead, lens);
		const [after] = seen(post(5, 0), { ...ahead, headingRad: -0.1 }, lens);
		expect(after!.points[0]![0]).toBeLessThan(before!.points[0]![0]);
	});

	it('draws nothing that lies behind, and cuts off what passes the lens', () => {
		expect(seen(post(-3, 0), ahead, lens)).toEqual([]);
		const passing: Scene = [
			{
				as: 'wall',
				pointsM: [
					[-5, 1, 1.6],
					[5, 1, 1.6]
				]
			}
		];
		const [drawn] = seen(passing, ahead, lens);
		expect(drawn!.points.length).toBe(2);
		for (const [x, y] of drawn!.points) expect(Number.isFinite(x) && Number.isFinite(y)).toBe(true);
		// Cut where it comes before the lens: 1 m to the left at 12 cm.
		expect(drawn!.points[0]![0]).toBeCloseTo(0.5 - (1 / 0.12) * (0.035 / 0.036), 6);
	});

	it('draws the furthest first and the nearer wider', () => {
		const drawn = seen([...post(3, 0.5), ...post(9, -0.5)], ahead, lens);
		expect(drawn.map(({ depthM }) => depthM)).toEqual([9, 3]);
		expect(drawn[1]!.thick / drawn[0]!.thick).toBeCloseTo(3, 9);
	});

	it('a horizon lies at the height of the eye, wherever the level camera looks', () => {
		fc.assert(
			fc.property(fc.double({ min: -3.1, max: 3.1, noNaN: true }), (headingRad) => {
				const drawn = seen(horizon(1.6), { ...ahead, headingRad }, lens);
				expect(drawn.length).toBeGreaterThan(0);
				for (const { points } of drawn) for (const [, y] of points) expect(y).toBeCloseTo(0.5, 6);
			})
		);
	});

	it('a person stands on the floor, as tall as asked, their middle where they stand', () => {
		const drawn = seen(person([4, 0], [0, 0], 1.72), { ...ahead, positionM: [0, 0, 0.86] }, lens);
		const all = drawn.flatMap(({ points }) => points);
		const xs = all.map(([x]) => x);
		expect((Math.min(...xs) + Math.max(...xs)) / 2).toBeCloseTo(0.5, 6);
		const tall = (Math.max(...all.map(([, y]) => y)) - Math.min(...all.map(([, y]) => y))) * lens.sensorHeightM;
		expect((tall * 4) / lens.focalM).toBeCloseTo(1.72, 1);
	});
});
