import { describe, expect, it } from 'vitest';
import { moreOf } from './showsMore';

describe('a line that is scrolled sideways', () => {
	it.each([
		['holds all of it', 0, 300, 300, []],
		['stands at its start', 0, 600, 300, ['right']],
		['stands in its middle', 150, 600, 300, ['left', 'right']],
		['stands at its end', 300, 600, 300, ['left']],
		['lacks half a finger', 4, 306, 300, []]
	] as const)('%s', (_, left, whole, shown, more) => expect(moreOf(left, whole, shown)).toEqual(more));
});
