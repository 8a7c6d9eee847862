import { describe, expect, it } from 'vitest';
import { emptyPartText, type PartText, problemsOf, readPart, textOfPart } from './partText';

const typed: PartText = {
	...emptyPartText,
	name: ' 50 mm prime ',
	kind: 'lens',
	mass: '480',
	length: '9.2 cm',
	width: '76',
	height: '76'
};
const problems = (change: Partial<PartText>) => {
	const read = readPart({ ...typed, ...change }, 'metric');
	return 'problems' in read ? read.problems : {};
};

describe('a part as it is typed', () => {
	it('is read into SI, with the middle assumed where no centre of gravity is given', () => {
		expect(readPart(typed, 'metric')).toEqual({
			part: {
				name: '50 mm prime',
				kind: 'lens',
				massKg: expect.closeTo(0.48, 12),
				shape: { sizeM: [expect.closeTo(0.092, 12), 0.076, 0.076], cgFromMiddleM: null, extensionM: 0 }
			}
		});
	});

	it('takes one given coordinate as a measurement of all three', () => {
		const read = readPart({ ...typed, cgForward: '-6' }, 'metric');
		expect('part' in read && read.part.shape.cgFromMiddleM).toEqual([-0.006, 0, 0]);
	});

	it.each([
		['mass', '0', 'more than 0'],
		['mass', '-3', 'more than 0'],
		['mass', 'heavy', 'not a number'],
		['length', '', 'Type a number'],
		['height', '0', 'more than 0'],
		['extension', '-1', 'negative'],
		['cgUp', '90', 'Outside the part'],
		['name', '  ', 'name']
	] as const)('says at %s what is wrong with “%s”', (field, text, words) => {
		expect(problems({ [field]: text })[field]).toContain(words);
	});

	it('comes back from the shelf as it was put there', () => {
		const read = readPart({ ...typed, cgForward: '3', extension: '12' }, 'metric');
		if (!('part' in read)) throw new Error('unreadable');
		const again = readPart(textOfPart({ id: 'x', ...read.part }, 'imperial'), 'imperial');
		expect('part' in again && again.part.massKg).toBeCloseTo(0.48, 3);
		expect('part' in again && again.part.shape.sizeM[0]).toBeCloseTo(0.092, 4);
	});

	it('shows the server’s words at their fields', () => {
		expect(problemsOf({ 'shape.sizeM.1': 'Too wide.', version: 'x' })).toEqual({ width: 'Too wide.' });
	});
});
