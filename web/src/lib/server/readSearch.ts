import { parse } from 'chrono-node';

/** What a person is looking for: stretches of time, and plain words. */
export interface Search {
	/** `words`: what was typed for it, since a note may say the same. */
	readonly spans: readonly { readonly from: Date; readonly to: Date; readonly words: readonly string[] }[];
	readonly words: readonly string[];
}

const mostWords = 8;
const longest = 200;
const split = (text: string) =>
	text
		// Postgres refuses the zero byte in any text; no control character can be meant in a search.
		.split(/[\s\p{Cc}]+/u)
		.filter((word) => word !== '');

/**
 * Reads "18 Nov", "november", "last sunday", "yesterday" and "2026-11-18" as the day or month they name, the latest that is not
 * to come; everything else is words. Days are those of the server's own clock.
 */
export function readSearch(search: string, now: Date): Search {
	const text = search.slice(0, longest).replace(/\p{Cc}/gu, ' ');
	// A bare number, a focal length or an f-stop is no date: one that is has a name or a year in it.
	const found = parse(text, now).filter(({ text: named, start }) => {
		const dated = start.isCertain('day') || start.isCertain('month') || start.isCertain('weekday');
		return (dated || /\b(today|yesterday)\b/i.test(named)) && (/[a-z]{3}/i.test(named) || /\d{4}-\d\d/.test(named));
	});
	let rest = text;
	const spans = found.map(({ text: named, start, end }) => {
		rest = rest.replace(named, ' ');
		const monthOnly = start.isCertain('month') && !start.isCertain('day') && !start.isCertain('weekday');
		const year = start.isCertain('year');
		const from = dayOf(start.date());
		if (monthOnly) {
			from.setDate(1);
			if (!year && from > now) from.setFullYear(from.getFullYear() - 1);
			// Without a year the nearest one may be meant either way: the last that has begun.
			else if (!year) while (sameDayNextYear(from) <= now) from.setFullYear(from.getFullYear() + 1);
			return { from, to: new Date(from.getFullYear(), from.getMonth() + 1, 1), words: split(named) };
		}
		if (!year && from > now) {
			if (start.isCertain('weekday') && !start.isCertain('day')) from.setDate(from.getDate() - 7);
			else from.setFullYear(from.getFullYear() - 1);
		}
		const last = end === null || end === undefined ? from : dayOf(end.date());
		const to = new Date(last.getFullYear(), last.getMonth(), last.getDate() + 1);
		return { from, to: to > from ? to : new Date(from.getTime() + 24 * 3600 * 1000), words: split(named) };
	});
	return { spans: spans.slice(0, 3), words: split(rest).slice(0, mostWords) };
}

const dayOf = (moment: Date) => new Date(moment.getFullYear(), moment.getMonth(), moment.getDate());
const sameDayNextYear = (day: Date) => new Date(day.getFullYear() + 1, day.getMonth(), day.getDate());
