import { describe, expect, it } from 'vitest';
import { arrowMove, boundsOf, depth, layOut, onSheet, project, unproject, type View } from './projection';

const views: View[] = ['side', 'top', 'front'];
const margins = { left: 60, right: 40, top: 30, bottom: 60, between: 50 };

describe('the three elevations', () => {
	it('put the lens to the right and up to the top', () => {
		expect(project([1, 0, 0], 'side').x).toBe(1);
		expect(project([0, 0, 1], 'side').y).toBe(-1);
		expect(project([0, 1, 0], 'top').y).toBe(-1);
		// Seen from before the lens, the camera's left is on the right.
		expect(project([0, 1, 0], 'front').x).toBe(1);
	});

	it('turn a move on the page back into the move it shows', () => {
		for (const view of views) {
			const moved = unproject({ x: 0.3, y: -0.2 }, view);
			const shown = project(moved, view);
			expect(shown.x).toBeCloseTo(0.3, 15);
			expect(shown.y).toBeCloseTo(-0.2, 15);
			expect(Math.abs(depth(moved, view))).toBe(0);
		}
	});

	it('move the way the arrow points', () => {
		expect(arrowMove('ArrowRight', 'side', 0.001)).toEqual([0.001, 0, -0]);
		expect(arrowMove('ArrowUp', 'front', 0.001)![2]).toBeCloseTo(0.001, 15);
		expect(arrowMove('Enter', 'side', 0.001)).toBeNull();
	});
});

describe('the sheet', () => {
	const bounds = boundsOf([
		[-0.1, -0.08, -0.02],
		[0.3, 0.06, 0.15]
	]);
	const sheet = layOut(bounds, views, 770, 480, margins);
	const place = (view: View) => sheet.places.find((each) => each.view === view)!;

	it('keeps everything inside its margins', () => {
		for (const view of views)
			for (const corner of [bounds.leastM, bounds.greatestM]) {
				const { x, y } = onSheet(corner, place(view), sheet.pxPerM);
				expect(x).toBeGreaterThanOrEqual(margins.left - 0.01);
				expect(x).toBeLessThanOrEqual(770 - margins.right + 0.01);
				expect(y).toBeGreaterThanOrEqual(margins.top - 0.01);
				expect(y).toBeLessThanOrEqual(480 - margins.bottom + 0.01);
			}
	});

	it('lines the views up: the same forward under top and side, the same height beside side and front', () => {
		const point = [0.12, 0.01, 0.04] as const;
		const at = (view: View) => onSheet(point, place(view), sheet.pxPerM);
		expect(at('top').x).toBeCloseTo(at('side').x, 9);
		expect(at('front').y).toBeCloseTo(at('side').y, 9);
	});

	it('uses a scale a draughtsman would write', () => {
		expect([1, 1.5, 2, 2.5, 3, 4]).toContain(sheet.ratio);
	});
});
