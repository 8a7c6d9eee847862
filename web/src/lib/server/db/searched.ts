import { and, type AnyColumn, gte, ilike, lt, or, type SQL } from 'drizzle-orm';
import { readSearch } from '../readSearch';

/** A hyphen finds every kind of dash, as in 24–70. */
const holdsWord = (word: string, columns: readonly AnyColumn[]) => {
	const pattern = `%${word.replace(/[\\%_]/g, '\\$&').replace(/[-‐-―−]/g, '_')}%`;
	return or(...columns.map((column) => ilike(column, pattern)));
};

/** What a line must match to be found, whatever book it stands in: every word of the search, and every date in it. */
export function searched(search: string, at: AnyColumn, words: readonly AnyColumn[]): readonly (SQL | undefined)[] {
	const { spans, words: plain } = readSearch(search, new Date());
	return [
		...spans.map(({ from, to, words: asWords }) =>
			or(
				and(gte(at, from.toISOString()), lt(at, to.toISOString())),
				// "May" may be a name too, and a note may say Sunday; of "1 Dec 1999" a line with a 1 in it says nothing.
				and(...asWords.map((word) => holdsWord(word, words)))
			)
		),
		...plain.map((word) => holdsWord(word, words))
	];
}
