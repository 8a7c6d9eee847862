import { AsyncLocalStorage } from 'node:async_hooks';

const memory = new AsyncLocalStorage<Map<string, Promise<unknown>>>();

/** While a page is read nothing is written: what two of its loads ask for is asked of the database once. */
export const remembering = <T>(work: () => T): T => memory.run(new Map(), work);

/** The answer of this request to `key`, found at most once; outside a read, anew every time. */
export function onceARequest<T>(key: string, find: () => Promise<T>): Promise<T> {
	const known = memory.getStore();
	if (known === undefined) return find();
	const had = known.get(key);
	if (had !== undefined) return had as Promise<T>;
	const found = find();
	known.set(key, found);
	return found;
}
