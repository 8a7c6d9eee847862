import { describe, expect, it } from 'vitest';
import { outerSizeM, partKinds } from '$lib/model/part';
import { part, shelf } from '$lib/testing/scenario';
import { glyph } from './glyph';
import type { View } from './projection';

const views: View[] = ['side', 'top', 'front'];

describe('the drawing of a part', () => {
	it.each(partKinds.map((kind) => [kind]))('of kind %s fills its box to scale in every view', (kind) => {
		const sample = { ...part('Tele zoom 70–200'), kind };
		const [length, width, height] = outerSizeM(sample.shape);
		for (const view of views) {
			const { box, outline, details } = glyph(sample, view, 1000);
			expect(box.width).toBeCloseTo((view === 'front' ? width : length) * 1000, 9);
			expect(box.height).toBeCloseTo((view === 'top' ? width : height) * 1000, 9);
			for (const path of [outline, ...details]) expect(path).toMatch(/^M[-\d. ]+/);
			expect(`${outline}${details.join('')}`).not.toMatch(/NaN|undefined|Infinity/);
		}
	});

	it('shows an extended lens longer to the front only', () => {
		const lens = part('Wide zoom 16–35');
		const closed = glyph({ ...lens, shape: { ...lens.shape, extensionM: 0 } }, 'side', 1000).box;
		const open = glyph(lens, 'side', 1000).box;
		expect(open.x).toBe(closed.x);
		expect(open.width - closed.width).toBeCloseTo(9, 9);
	});

	it('draws each piece of the shelf without a gap', () => {
		for (const each of shelf) expect(glyph(each, 'side', 500).outline.endsWith('z')).toBe(true);
	});
});
