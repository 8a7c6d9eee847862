import { AsyncLocalStorage } from 'node:async_hooks';

interface Memory {
	readonly answers: Map<string, Promise<unknown>>;
	queries: number;
}
const memory = new AsyncLocalStorage<Memory>();

/** While a page is read nothing is written: what two of its loads ask for is asked of the database once. */
export const remembering = <T>(work: () => T): T => memory.run({ answers: new Map(), queries: 0 }, work);

/** The answer of this request to `key`, found at most once; outside a read, anew every time. */
export function onceARequest<T>(key: string, find: () => Promise<T>): Promise<T> {
	const known = memory.getStore()?.answers;
	if (known === undefined) return find();
	const had = known.get(key);
	if (had !== undefined) return had as Promise<T>;
	const found = find();
	known.set(key, found);
	return found;
}

/** The database is asked something for this request. */
export function countQuery(): void {
	const known = memory.getStore();
	if (known !== undefined) known.queries += 1;
}
/** How often it was asked so far. */
export const queriesSoFar = (): number => memory.getStore()?.queries ?? 0;
