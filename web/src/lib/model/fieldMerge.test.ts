import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { mergeFields } from './fieldMerge';

const begun = {
	positionsM: { base: 0.01, fork: 0.02 },
	waived: false,
	looks: [{ id: 'a', says: 'falls' }],
	tags: [1, 2]
};

describe('two who change one document', () => {
	it('keeps what each of them changed', () => {
		const mine = { ...begun, positionsM: { ...begun.positionsM, base: 0.05 } };
		const theirs = { ...begun, positionsM: { ...begun.positionsM, fork: 0.09 }, waived: true };
		expect(mergeFields(begun, mine, theirs)).toEqual({
			value: { ...begun, positionsM: { base: 0.05, fork: 0.09 }, waived: true },
			...{ theirs: 2, over: 0 }
		});
	});
	it('gives the very same figure to the last word, and says so', () => {
		const at = (base: number) => ({ ...begun, positionsM: { ...begun.positionsM, base } });
		expect(mergeFields(begun, at(0.05), at(0.09))).toEqual({ value: at(0.05), theirs: 0, over: 1 });
		expect(mergeFields(begun, at(0.05), at(0.05))).toEqual({ value: at(0.05), theirs: 0, over: 0 });
	});
	it('keeps what both added to a list, and takes out what either took out', () => {
		const [a, b, c] = ['a', 'b', 'c'].map((id) => ({ id, says: id }));
		const of = (...looks: unknown[]) => ({ looks });
		expect(mergeFields(of(a), of(a, b), of(a, c)).value).toEqual(of(a, c, b));
		expect(mergeFields(of(a), of(b, a), of(c, a)).value).toEqual(of(c, b, a));
		expect(mergeFields(of(a, b), of(b), of(a, b, c)).value).toEqual(of(b, c));
		expect(mergeFields(of(a, b), of(a, b, c), of(b)).value).toEqual(of(b, c));
		// One took it out, the other changed it: the last word.
		expect(mergeFields(of(a), of(), of({ ...a!, says: 'x' }))).toEqual({ value: of(), theirs: 0, over: 1 });
	});
	it('takes a list without ids as one thing', () =>
		expect(mergeFields(begun, { ...begun, tags: [1, 2, 3] }, { ...begun, tags: [0] })).toEqual({
			value: { ...begun, tags: [1, 2, 3] },
			...{ theirs: 0, over: 1 }
		}));
	it('adds and drops fields', () => {
		expect(mergeFields({}, { a: 1 }, { b: 2 }).value).toEqual({ a: 1, b: 2 });
		expect(mergeFields({ a: 1, b: 2 }, { b: 2 }, { a: 1, b: 3 }).value).toEqual({ b: 3 });
	});

	const asJson = { noNullPrototype: true };
	const document = fc.dictionary(
		fc.constantFrom('a', 'b', '__proto__', 'constructor'),
		fc.oneof(
			fc.integer({ min: 0, max: 3 }),
			fc.dictionary(fc.constantFrom('x', 'y'), fc.integer({ min: 0, max: 2 }), asJson)
		),
		asJson
	);
	it('is mine where nobody else changed anything, theirs where I did not, and loses no change of one alone', () =>
		fc.assert(
			fc.property(document, document, document, (was, mine, theirs) => {
				expect(mergeFields(was, mine, was).value).toEqual(mine);
				expect(mergeFields(was, was, theirs).value).toEqual(theirs);
				const { value } = mergeFields(was, mine, theirs) as { value: Record<string, unknown> };
				for (const key of ['a', 'b', 'constructor']) {
					const [w, m, t] = [was, mine, theirs].map((each) =>
						JSON.stringify(Object.hasOwn(each, key) ? each[key] : null)
					);
					const got = JSON.stringify(Object.hasOwn(value, key) ? value[key] : null);
					if (m === w) expect(got).toBe(t);
					else if (t === w) expect(got).toBe(m);
				}
			})
		));
});
