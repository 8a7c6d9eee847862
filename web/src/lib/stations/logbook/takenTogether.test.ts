import { expect, it } from 'vitest';
import type { GearChange } from '$lib/model/measurement';
import { takenTogether } from './takenTogether';

const change = (id: string, lessonId: string | null) => ({ id, lessonId }) as GearChange;

it('keeps what came from one lesson together and what was measured apart, in order', () => {
	const all = [change('a', 'two'), change('b', null), change('c', 'two'), change('d', 'one'), change('e', null)];
	expect(takenTogether(all).map(({ lessonId, changes }) => [lessonId, changes.map(({ id }) => id)])).toEqual([
		['two', ['a', 'c']],
		[null, ['b']],
		['one', ['d']],
		[null, ['e']]
	]);
	expect(takenTogether([])).toEqual([]);
});
