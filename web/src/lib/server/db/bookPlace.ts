import { sql, type SQL } from 'drizzle-orm';
import type { AnyPgColumn } from 'drizzle-orm/pg-core';

/** A line's place in the book, newest first: to the microsecond as the database keeps it, and by its id where two are at once. */
export interface BookPlace {
	readonly micros: number;
	readonly id: string;
}
const written = /^(\d{1,16})\.([0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12})$/;

export const placeText = ({ micros, id }: BookPlace): string => `${micros}.${id}`;
/** Null: that is no place in a book, so it begins at its newest. */
export function readPlace(text: string | null): BookPlace | null {
	const found = written.exec(text ?? '');
	return found === null ? null : { micros: Number(found[1]), id: found[2]! };
}
export const byPlace = (one: BookPlace, other: BookPlace): number =>
	other.micros - one.micros || (other.id < one.id ? -1 : other.id > one.id ? 1 : 0);

export const microsOf = (at: AnyPgColumn) => sql<string>`(extract(epoch from ${at}) * 1000000)::bigint`;
export const olderThan = (place: BookPlace | null, at: AnyPgColumn, id: AnyPgColumn): SQL | undefined =>
	place === null
		? undefined
		: sql`(${at}, ${id}) < (timestamptz 'epoch' + ${String(place.micros)}::bigint * interval '1 microsecond', ${place.id}::uuid)`;
