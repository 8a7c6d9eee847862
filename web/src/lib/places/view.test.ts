import { describe, expect, it } from 'vitest';
import { gridM, pinned, planBar, toPlan, toScreen, viewOf, zoomed } from './view';
import { mostChosenBytes, wrongWithFile } from './picture';

const view = viewOf(
	[
		[2, 1],
		[22, 11]
	],
	740,
	420
);

describe('how a plan lies on the screen', () => {
	it('shows all of it, y up, its middle in the middle', () => {
		expect(toScreen(view, 740, 420, [12, 6])).toEqual({ x: 370, y: 210 });
		for (const corner of [
			[2, 1],
			[22, 1],
			[22, 11],
			[2, 11]
		] as const) {
			const { x, y } = toScreen(view, 740, 420, corner);
			expect(x).toBeGreaterThanOrEqual(0);
			expect(x).toBeLessThanOrEqual(740);
			expect(y).toBeGreaterThanOrEqual(0);
			expect(y).toBeLessThanOrEqual(420);
		}
		expect(toScreen(view, 740, 420, [12, 8]).y).toBeLessThan(210);
	});
	it('lies with a point of the plan under the fingers, however near it was brought', () => {
		for (const factor of [0.5, 1, 2.5]) {
			const held = pinned(zoomed(view, factor), [4, 9], 740, 420, 500, 100);
			const { x, y } = toScreen(held, 740, 420, [4, 9]);
			expect([x, y]).toEqual([expect.closeTo(500, 9), expect.closeTo(100, 9)]);
			expect(held.pxPerM).toBeCloseTo(view.pxPerM * factor, 9);
		}
	});
	it('finds the plan’s point under the hand again', () => {
		const { x, y } = toScreen(view, 740, 420, [17.3, 3.9]);
		const [px, py] = toPlan(view, 740, 420, x, y);
		expect(px).toBeCloseTo(17.3, 9);
		expect(py).toBeCloseTo(3.9, 9);
	});
	it('goes nearer and further off with the point under the hand staying there, and back', () => {
		const hand = [5, 9] as const;
		const near = zoomed(view, 1.7, hand);
		expect(toScreen(near, 740, 420, hand).x).toBeCloseTo(toScreen(view, 740, 420, hand).x, 9);
		expect(toScreen(near, 740, 420, hand).y).toBeCloseTo(toScreen(view, 740, 420, hand).y, 9);
		const back = zoomed(near, 1 / 1.7, hand);
		expect(back.pxPerM).toBeCloseTo(view.pxPerM, 9);
		expect(back.middleM[0]).toBeCloseTo(view.middleM[0], 9);
	});
	it('never loses itself, however far it is zoomed or however small the plan', () => {
		expect(zoomed(view, 1e9).pxPerM).toBe(400);
		expect(zoomed(view, 1e-9).pxPerM).toBe(1.2);
		const point = viewOf(
			[
				[3, 3],
				[3, 3]
			],
			740,
			420
		);
		expect(Number.isFinite(point.pxPerM)).toBe(true);
		expect(point.middleM).toEqual([3, 3]);
	});
	it('draws its grid so that the lines can be told apart', () => {
		for (const pxPerM of [1.2, 3, 9, 20, 60, 400]) expect(gridM(pxPerM) * pxPerM).toBeGreaterThanOrEqual(18);
		expect(gridM(60)).toBe(0.5);
	});
});

describe('a picture that was chosen', () => {
	const file = (size: number, type = 'image/png') => ({ name: 'plan.png', size, type });
	it.each([
		['nothing in it', file(0), 'is empty'],
		['another kind of file', file(2000, 'application/pdf'), 'Choose a PNG, JPEG or WebP'],
		['a drawing', file(2000, 'image/svg+xml'), 'Choose a PNG, JPEG or WebP'],
		['30 MB', file(30 * 1024 * 1024), 'has 30 MB; up to 20 MB can be taken']
	])('with %s is refused in words', (_, chosen, words) => {
		expect(wrongWithFile(chosen)).toContain(words);
	});
	it('is taken up to the greatest size', () => {
		expect(wrongWithFile(file(mostChosenBytes))).toBeNull();
		expect(wrongWithFile(file(3000, 'image/webp'))).toBeNull();
	});
});

describe('a plan’s scale bar', () => {
	it.each([
		['metric', 50, 200, '2 m', 2],
		['metric', 50, 99, '1 m', 1],
		['imperial', 50, 200, '10 ft', 3.048],
		['imperial', 50, 100, '5 ft', 1.524],
		['imperial', 0.1, 100, '200 ft', 60.96]
	] as const)(
		'is the longest round length in %s that fits: %d px a metre, %d px',
		(units, px, most, words, lengthM) => {
			expect(planBar(px, most, units)).toEqual({ words, lengthM: expect.closeTo(lengthM, 9) as number });
		}
	);
});
