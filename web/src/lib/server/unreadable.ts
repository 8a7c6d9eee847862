import { AsyncLocalStorage } from 'node:async_hooks';
import type { Payload } from '$lib/model/payload';
import { Refusal } from './refusal';

/** A row that no schema reads: of a shape from another time, or damaged. It stays as it is. */
export interface Unreadable {
	/** What it is, in a word: part, payload, venue. */
	readonly what: string;
	readonly id: string;
	readonly name: string;
	readonly why: string;
}
const found = new AsyncLocalStorage<Unreadable[]>();

/** Whatever cannot be read while a request is answered is gathered for its pages. */
export const gathering = <T>(work: () => T): T => found.run([], work);
export const unreadable = (): readonly Unreadable[] => found.getStore() ?? [];

function gather(what: string, row: { readonly id: string; readonly name?: string }, thrown: Refusal): void {
	const why =
		thrown.fields === undefined ? thrown.message : Object.values(thrown.fields).slice(0, 2).join(' ').slice(0, 300);
	const known = found.getStore();
	if (known !== undefined && !known.some(({ id, what: kind }) => id === row.id && kind === what))
		known.push({ what, id: row.id, name: row.name ?? '', why });
}

/** One thing that a page can do without: where it cannot be read there is none, and it is gathered. */
export async function orNone<T>(
	what: string,
	row: { readonly id: string; readonly name?: string },
	read: () => T | Promise<T>
): Promise<T | null> {
	try {
		return await read();
	} catch (thrown) {
		if (!(thrown instanceof Refusal) || thrown.code !== 'invalid') throw thrown;
		gather(what, row, thrown);
		return null;
	}
}

/** The rows that can be read; one that cannot closes no list: it is left out, and gathered. */
export const readable = <Row extends { readonly id: string; readonly name?: string }, T>(
	what: string,
	rows: readonly Row[],
	read: (row: Row) => T
): T[] =>
	rows.flatMap((row) => {
		try {
			return [read(row)];
		} catch (thrown) {
			if (!(thrown instanceof Refusal)) throw thrown;
			gather(what, row, thrown);
			return [];
		}
	});

/** A build that stands on a part nobody can read has no mass that is known: nothing is worked out from the rest of it. */
export function needsItsParts(
	{ name, platePartId, placements }: Pick<Payload, 'name' | 'platePartId' | 'placements'>,
	shelf: readonly { readonly id: string }[]
): void {
	if (hasItsParts({ platePartId, placements }, shelf)) return;
	throw new Refusal(
		'invalid',
		`A part of “${name}” cannot be read, so nothing is worked out for it. The shelf says which, and what to do.`
	);
}
export const hasItsParts = (
	{ platePartId, placements }: Pick<Payload, 'platePartId' | 'placements'>,
	shelf: readonly { readonly id: string }[]
): boolean => {
	const there = new Set(shelf.map(({ id }) => id));
	return there.has(platePartId) && placements.every(({ partId }) => there.has(partId));
};
