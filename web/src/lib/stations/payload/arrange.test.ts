import { describe, expect, it } from 'vitest';
import { plainAttitude } from '$lib/model/attitude';
import type { PayloadDraft } from '$lib/model/payload';
import { allMoved, duplicated, grouped, mirroredOver, moved, together, withAttitude } from './arrange';

const draft: PayloadDraft = {
	name: 'Build',
	platePartId: 'plate',
	placements: [
		{ id: 'camera', partId: 'Compact body', positionM: [0, 0.002, 0] },
		{ id: 'lens', partId: '35 mm prime', positionM: [0.06, 0.002, 0.01] },
		{ id: 'motor', partId: 'Focus motor', positionM: [0.05, -0.06, 0.02] }
	]
};
let count = 0;
/** No two alike, as the application makes them. */
const newId = () => `new${(count += 1)}`;
const pair = grouped(draft, 'lens', 'motor', newId);
const at = (of: PayloadDraft, id: string) => of.placements.find((each) => each.id === id)!;

describe('a group', () => {
	it('moves as one and leaves the rest', () => {
		const after = moved(pair, 'lens', [0.07, 0.002, 0.015]);
		expect(at(after, 'lens').positionM).toEqual([0.07, 0.002, 0.015]);
		expect(at(after, 'motor').positionM).toEqual([0.06, -0.06, 0.025]);
		expect(at(after, 'camera')).toBe(at(pair, 'camera'));
	});
	it('takes in a third, and lets one go', () => {
		const three = grouped(pair, 'camera', 'lens', newId);
		expect([...together(three, 'motor')].sort()).toEqual(['camera', 'lens', 'motor']);
		expect([...together(grouped(three, 'lens', null, newId), 'motor')].sort()).toEqual(['camera', 'motor']);
	});
	it('is copied whole under a word of its own', () => {
		const { draft: after, copyId } = duplicated(pair, 'lens', newId);
		expect(after.placements).toHaveLength(5);
		const copy = at(after, copyId!);
		expect([copy.partId, copy.positionM]).toEqual(['35 mm prime', [0.06, 0.042, 0.01]]);
		expect(together(after, copyId!).size).toBe(2);
		expect(together(after, 'lens').has(copyId!)).toBe(false);
	});
	it('goes over to the other side together, and back', () => {
		const over = mirroredOver(pair, 'motor');
		expect(at(over, 'motor').positionM[1]).toBe(0.06);
		expect(at(over, 'lens').positionM[1]).toBe(-0.002);
		expect(mirroredOver(over, 'lens')).toEqual(pair);
	});
});

describe('a part on its own', () => {
	it('is copied without a group', () => {
		const { draft: after, copyId } = duplicated(draft, 'camera', newId);
		expect(at(after, copyId!).attitude).toEqual(plainAttitude);
	});
	it('is turned without touching the others, and an unknown one changes nothing', () => {
		const after = withAttitude(draft, 'camera', (was) => ({ ...was, aboutUpRad: 0.5 }));
		expect(at(after, 'camera').attitude!.aboutUpRad).toBe(0.5);
		expect(at(after, 'lens')).toBe(at(draft, 'lens'));
		expect(moved(draft, 'gone', [0, 0, 0])).toBe(draft);
	});
	it('goes forward with everything else, in half millimetres', () => {
		const after = allMoved(draft, -0.0123);
		expect(after.placements.map(({ positionM }) => positionM[0])).toEqual([-0.0125, 0.0475, 0.0375]);
	});
});
