import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { NewPart } from './part';
import { type MergedField, mergePart, partFields } from './partMerge';

const plain: NewPart = {
	name: 'Prime',
	kind: 'lens',
	massKg: 0.8,
	shape: { sizeM: [0.1, 0.08, 0.08], cgFromMiddleM: null, extensionM: 0.01 }
};
/** One field changed, by so much. */
const change: Readonly<Record<MergedField, (part: NewPart, by: number) => NewPart>> = {
	name: (part, by) => ({ ...part, name: `${part.name} ${by}` }),
	kind: (part, by) => ({ ...part, kind: by > 1 ? 'plate' : 'camera' }),
	mass: (part, by) => ({ ...part, massKg: part.massKg + by }),
	size: (part, by) => ({ ...part, shape: { ...part.shape, sizeM: [0.1 + by, 0.08, 0.08] } }),
	centre: (part, by) => ({
		...part,
		shape: { ...part.shape, cgFromMiddleM: [by / 100, 0, 0], cgSigmaM: [0.001, 0.001, 0.001], cgFrom: `look ${by}` }
	}),
	extension: (part, by) => ({ ...part, shape: { ...part.shape, extensionM: by } }),
	holes: (part, by) => ({ ...part, shape: { ...part.shape, holePitchM: 0.02 * by } })
};
const all = (fields: readonly MergedField[], by: number) =>
	fields.reduce((part, field) => change[field](part, by), plain);

describe('two people at one part', () => {
	it('each has what they changed, whichever fields, and is told of what the other did', () => {
		fc.assert(
			fc.property(fc.subarray([...partFields]), fc.subarray([...partFields]), (theirFields, myFields) => {
				const [theirs, mine] = [all(theirFields, 1), all(myFields, 2)];
				const { part, meanwhile } = mergePart(theirs, plain, mine);
				const expected = partFields.reduce<NewPart>(
					(so, field) =>
						myFields.includes(field) ? change[field](so, 2) : theirFields.includes(field) ? change[field](so, 1) : so,
					plain
				);
				expect(part).toEqual(expected);
				expect(new Map(meanwhile.map(({ field, stands }) => [field, stands]))).toEqual(
					new Map(theirFields.map((field) => [field, myFields.includes(field) ? 'yours' : 'theirs']))
				);
			})
		);
	});
	it('digits that a form does not show are kept, and are nobody’s change', () => {
		const stands = { ...plain, massKg: 0.80004 };
		const { part, meanwhile } = mergePart(stands, plain, { ...plain, name: 'Another' });
		expect(part).toEqual({ ...stands, name: 'Another' });
		expect(meanwhile).toEqual([]);
	});
	it('both changed it to the same: nothing to tell', () => {
		expect(mergePart(all(['mass'], 1), plain, all(['mass'], 1)).meanwhile).toEqual([]);
	});
});
