import type Joi from 'joi';
import { validated } from './api';
import { Refusal } from './refusal';

type Json = Readonly<Record<string, unknown>>;

/**
 * How one kind of JSON lies in the database. It carries the number of the shape it was written in; what lies there in an
 * older one is brought up to date on reading, a step for every time the shape was changed, and is written in the newest
 * when it is next saved. Before the numbers began, everything was of shape 1.
 */
export interface StoredAs<T> {
	readonly schema: Joi.Schema<T>;
	/** From shape 1 to 2, from 2 to 3, and so on. */
	readonly upgrades?: readonly ((older: Json) => Json)[];
}

const newest = ({ upgrades = [] }: Pick<StoredAs<unknown>, 'upgrades'>) => upgrades.length + 1;

/** The value with the number of its shape, as it goes into the database. */
export const toStore = <T>(as: StoredAs<T>, value: T): Json => ({ shape: newest(as), ...(value as Json) });

/** What lies in the database, brought up to date and checked. Throws `invalid` for what no schema reads, what is damaged, and what a newer Poise wrote. */
export function fromStore<T>(as: StoredAs<T>, stored: unknown): T {
	if (typeof stored !== 'object' || stored === null)
		throw new Refusal('invalid', 'This is damaged: there is nothing in it.');
	const { shape: written = 1, ...rest } = stored as Json;
	const shape = Number(written);
	if (!Number.isInteger(shape) || shape < 1 || shape > newest(as))
		throw new Refusal(
			'invalid',
			'This was written by a newer Poise than this one. Update this one, and it opens again.'
		);
	return checkedOnce(as, shape, rest);
}

/** So many of each shape: a crew's whole shelf, and more. */
const mostKept = 4000;
const kept = new WeakMap<StoredAs<unknown>, Map<string, unknown>>();

/**
 * The same words give the same value, so they are checked against the schema once and not on every page that shows them. What comes out is
 * frozen: it is shared by all who read it.
 */
function checkedOnce<T>(as: StoredAs<T>, shape: number, rest: Json): T {
	const words = `${shape} ${JSON.stringify(rest)}`;
	let known = kept.get(as);
	if (known === undefined) kept.set(as, (known = new Map()));
	const had = known.get(words);
	if (had !== undefined) return had as T;
	const value = validated(upgraded(as, shape, rest), as.schema);
	frozen(value);
	if (known.size >= mostKept) known.delete(known.keys().next().value!);
	known.set(words, value);
	return value;
}
function frozen(value: unknown): void {
	if (typeof value !== 'object' || value === null || Object.isFrozen(value)) return;
	Object.freeze(value);
	for (const each of Object.values(value)) frozen(each);
}
/** The steps are written for what was once written; what is damaged may lack what they take for granted. */
function upgraded({ upgrades = [] }: Pick<StoredAs<unknown>, 'upgrades'>, shape: number, rest: Json): Json {
	try {
		return upgrades.slice(shape - 1).reduce<Json>((older, upgrade) => upgrade(older), rest);
	} catch (cause) {
		const words = 'This is damaged: it is of an earlier Poise, and something that was always in it is missing.';
		throw Object.assign(new Refusal('invalid', words), { cause });
	}
}

/** A step for records: the copy of the support they keep was once called by its kind. */
export const supportRenamed =
	(was: string) =>
	({ [was]: support, ...rest }: Json): Json => ({ ...rest, support });
