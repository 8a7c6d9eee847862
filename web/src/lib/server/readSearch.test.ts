import { describe, expect, it } from 'vitest';
import { readSearch } from './readSearch';

/** A Friday. */
const now = new Date(2026, 10, 27, 9, 30);
const day = (moment: Date) => `${moment.getFullYear()}-${moment.getMonth() + 1}-${moment.getDate()}`;
const told = (search: string) => {
	const { spans, words } = readSearch(search, now);
	return { spans: spans.map(({ from, to }) => `${day(from)} to ${day(to)}`), words };
};

describe('a search of the logbook', () => {
	it.each([
		['18 Nov', '2026-11-18 to 2026-11-19'],
		['Nov 18', '2026-11-18 to 2026-11-19'],
		['18 November 2025', '2025-11-18 to 2025-11-19'],
		['2026-11-18', '2026-11-18 to 2026-11-19'],
		['november', '2026-11-1 to 2026-12-1'],
		['december', '2025-12-1 to 2026-1-1'],
		['last sunday', '2026-11-22 to 2026-11-23'],
		['sunday', '2026-11-22 to 2026-11-23'],
		['yesterday', '2026-11-26 to 2026-11-27'],
		['today', '2026-11-27 to 2026-11-28'],
		['24 Dec', '2025-12-24 to 2025-12-25']
	])('reads %s as days that have been', (search, span) => expect(told(search)).toEqual({ spans: [span], words: [] }));

	it.each([['24-70'], ['24–70'], ['35 mm'], ['f 2.8'], ['36.5'], ['compact body'], ['2 x 10 kg'], ['hall']])(
		'reads %s as words',
		(search) => expect(told(search)).toEqual({ spans: [], words: search.split(' ') })
	);

	it('reads both beside each other, and keeps the words of a date for notes that say the same', () => {
		expect(told('24-70 last sunday hall')).toEqual({
			spans: ['2026-11-22 to 2026-11-23'],
			words: ['24-70', 'hall']
		});
		expect(readSearch('sunday', now).spans[0]!.words).toEqual(['sunday']);
	});

	it('takes anything without failing', () => {
		for (const search of ['', '   ', '\u0000', '%_\\', 'a'.repeat(5000), '🎥 31 feb', '99 Nov', '-'])
			expect(() => readSearch(search, now)).not.toThrow();
		expect(readSearch('x '.repeat(500), now).words).toHaveLength(8);
	});
});
