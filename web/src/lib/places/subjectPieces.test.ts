import { describe, expect, it } from 'vitest';
import { subjectPieces, type SubjectShape } from './subjectPieces';

const shapes: readonly SubjectShape[] = ['ball', 'standing', 'seated', 'cake', 'bottle', 'book', 'box'];

describe('a subject as it is drawn', () => {
	it.each(shapes)('%s is as tall as it is said to be, and holds the place that is looked at', (shape) => {
		for (const tallM of [0.2, 1.75]) {
			const pieces = subjectPieces(shape, tallM);
			const tops = pieces.map(({ offM, sizeM }) => offM + sizeM[2] / 2);
			const feet = pieces.map(({ offM, sizeM }) => offM - sizeM[2] / 2);
			expect(Math.max(...tops) - Math.min(...feet)).toBeCloseTo(tallM, 9);
			expect(pieces.some(({ offM, sizeM }) => Math.abs(offM) <= sizeM[2] / 2 + 1e-9)).toBe(true);
		}
	});
	it('of a person the eyes are looked at, the feet a stature below', () => {
		const feet = Math.min(...subjectPieces('standing', 1.8).map(({ offM, sizeM }) => offM - sizeM[2] / 2));
		expect(feet).toBeCloseTo(-0.935 * 1.8, 9);
	});
});
