import { AsyncLocalStorage } from 'node:async_hooks';
import { tableNames } from '../db/tableNames';

/** Rows of one table that were asked for: those whose columns hold one of the values; without `where`, all of them. */
export interface Asked {
	readonly table: string;
	/** Every word of the query: a column that is none of them was neither read nor asked by. Null: any may have been. */
	readonly words: ReadonlySet<string> | null;
	readonly where: readonly { readonly column: string; readonly values: ReadonlySet<string> }[];
}
/** A row that was written: its table, and what stands in those of its columns that name a row. No such column: many were. */
export interface Written {
	readonly table: string;
	/** What was changed of it; null: it is new, or gone. */
	readonly changed: ReadonlySet<string> | null;
	readonly ids: ReadonlyMap<string, string>;
}

/** What an answer was made from, and whether any of it was written while it was made. */
export class ReadSet {
	readonly #asked = new Map<string, Asked[]>();
	readonly #within: ReadSet | null;
	spoiled = false;
	/** It depends on the time of day too. */
	passing = false;

	/** `within`: what this one goes into. */
	constructor(within: ReadSet | null = null) {
		this.#within = within;
	}

	add(asked: Asked): void {
		const known = this.#asked.get(asked.table);
		if (known === undefined) this.#asked.set(asked.table, [asked]);
		else known.push(asked);
		this.#within?.add(asked);
	}
	/** Takes over what another was made from. */
	take(other: ReadSet): void {
		for (const asked of other.#asked.values()) for (const each of asked) this.add(each);
	}
	get tables(): ReadonlySet<string> {
		return new Set(this.#asked.keys());
	}
	/** True where the row may be among what was asked for. */
	has({ table, ids, changed }: Written): boolean {
		return (this.#asked.get(table) ?? []).some(
			({ where, words }) =>
				(changed === null || words === null || [...changed].some((column) => words.has(column))) &&
				where.every(({ column, values }) => {
					const value = ids.get(column);
					return value === undefined || values.has(value);
				})
		);
	}
}

const current = new AsyncLocalStorage<ReadSet>();
/** While the work runs, whatever it asks of the database is noted in the set. */
export const noting = <T>(set: ReadSet, work: () => T): T => current.run(set, work);
export const currentSet = (): ReadSet | null => current.getStore() ?? null;
/** What is being answered holds for this moment only. */
export function notePassing(): void {
	const set = current.getStore();
	if (set !== undefined) set.passing = true;
}

/** Every query goes past here before it is sent: a row written after that is a change to what it read. */
export function noteQuery(query: string, params: readonly unknown[]): void {
	const set = current.getStore();
	if (set === undefined) return;
	for (const { table, words, where } of shapeOf(query))
		set.add({
			...{ table, words },
			where: where.map(({ column, at }) => ({ column, values: new Set(at.map((index) => String(params[index]))) }))
		});
}

interface AskedShape extends Pick<Asked, 'table' | 'words'> {
	readonly where: readonly { readonly column: string; readonly at: readonly number[] }[];
}
/** The words of queries are few and come again and again. */
const shapes = new Map<string, readonly AskedShape[]>();
const mostShapes = 2000;

function shapeOf(query: string): readonly AskedShape[] {
	const known = shapes.get(query);
	if (known !== undefined) return known;
	const found = readShape(query);
	if (shapes.size < mostShapes) shapes.set(query, found);
	return found;
}

/** Where these stand, an equality need not narrow the rows that are looked at. */
const unclear = /\b(or|not|case|exists|union|except|intersect|with|coalesce|any|all)\b|"\s*<>/i;

/**
 * Which tables a query names, and which of their rows it is confined to: the columns that must equal a parameter, or be one of several.
 * Only a single select whose conditions are all joined by "and" is read so; of any other, and of every table it names no such column
 * of, all rows count. Erring that way makes a page anew too often, never too seldom.
 */
function readShape(query: string): readonly AskedShape[] {
	const all = new Set(query.match(/\w+/g));
	const tables = tableNames.filter((name) => all.has(name));
	const words = /\*/.test(query) ? null : all;
	const isOneSelect = /^\s*select\b/i.test(query) && (query.match(/\bselect\b/gi)?.length ?? 0) === 1;
	// The words after "from": what stands before is what is chosen, not which rows.
	const from = query.search(/\bfrom\b/i);
	const rows = from < 0 ? '' : query.slice(from).split(/\b(?:group by|having|order by|limit|offset)\b/i)[0]!;
	if (!isOneSelect || unclear.test(rows)) return tables.map((table) => ({ table, words, where: [] }));
	return tables.map((table) => {
		const where: { column: string; at: number[] }[] = [];
		const confined = new RegExp(`"${table}"\\."(\\w*id)" (?:= \\$(\\d+)|in \\(((?:\\$\\d+(?:, )?)+)\\))`, 'g');
		for (const [, column, one, several] of rows.matchAll(confined))
			where.push({
				column: column!,
				at: (one === undefined ? several!.match(/\d+/g)! : [one]).map((number) => Number(number) - 1)
			});
		return { table, words, where };
	});
}
