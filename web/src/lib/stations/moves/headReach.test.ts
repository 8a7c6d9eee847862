import { describe, expect, it } from 'vitest';
import { panPoint, reachPath, tiltPoint } from './headReach';

const points = (path: string) =>
	path
		.slice(1)
		.split('L')
		.map((each) => each.split(' ').map(Number) as [number, number]);

describe('how far a head turns, drawn', () => {
	it('has straight ahead up the page from above, and left to the left', () => {
		expect(panPoint(0, 10).y).toBeCloseTo(-10);
		expect(panPoint(Math.PI / 2, 10).x).toBeCloseTo(-10);
		expect(panPoint(-Math.PI / 2, 10).x).toBeCloseTo(10);
	});
	it('has straight ahead to the right from the side, and up up the page', () => {
		expect(tiltPoint(0, 10).x).toBeCloseTo(10);
		expect(tiltPoint(Math.PI / 2, 10).y).toBeCloseTo(-10);
		expect(tiltPoint(-Math.PI / 2, 10).y).toBeCloseTo(10);
	});
	it('goes from one end of the range to the other, and no further', () => {
		const way = points(reachPath([-1, 2], panPoint, 20));
		const [first, last] = [way[0]!, way[way.length - 1]!];
		expect(first[0]).toBeCloseTo(20 * Math.sin(1), 1);
		expect(last[0]).toBeCloseTo(-20 * Math.sin(2), 1);
		for (const [x, y] of way) expect(Math.hypot(x, y)).toBeCloseTo(20, 0);
	});
	it('winds every further turn outside the one before, and stays a short line whatever is stored', () => {
		const way = points(reachPath([-4 * Math.PI, 4 * Math.PI], panPoint, 20));
		const [first, middle] = [way[0]!, way[Math.floor(way.length / 2)]!];
		expect(Math.hypot(...first)).toBeGreaterThan(Math.hypot(...middle) + 4);
		expect(points(reachPath([-31.5, 31.5], panPoint, 20)).length).toBeLessThanOrEqual(401);
	});
});
