import { LRUCache } from 'lru-cache';
import type { ChangeEar } from '../db/changes';
import { currentSet, noting, ReadSet, type Written } from './readSet';

interface Kept<T> {
	readonly answer: T;
	readonly from: ReadSet;
}
export interface Keeping<T> {
	/** Roughly the bytes of an answer; null: this one is not to be kept. */
	readonly weigh: (answer: T) => number | null;
	readonly mostBytes: number;
	/** None is older than this, whatever is heard. */
	readonly longestMs: number;
}

/**
 * Answers that are worked out from the database, given again for as long as no row that they were made from has been written. What
 * one is made from is read off its queries; that it was written, the database itself says. While that cannot be heard, each is made anew.
 */
export class KeptAnswers<T extends object> {
	readonly #kept: LRUCache<string, Kept<T>>;
	readonly #making = new Set<ReadSet>();
	/** One that is asked for by many at the same moment is made once. */
	readonly #awaited = new Map<string, Promise<Kept<T> | null>>();
	readonly #ear: () => Pick<ChangeEar, 'tables'> | null;
	readonly #weigh: Keeping<T>['weigh'];

	constructor(ear: () => Pick<ChangeEar, 'tables'> | null, { weigh, mostBytes, longestMs }: Keeping<T>) {
		this.#ear = ear;
		this.#weigh = weigh;
		this.#kept = new LRUCache({ maxSize: mostBytes, ttl: longestMs });
	}

	/** The answer under this key, and whether it was there already. */
	async of(key: string, make: () => Promise<T>): Promise<{ readonly answer: T; readonly wasKept: boolean }> {
		// Where what was waited for was written meanwhile, one makes it anew and the others wait once more.
		for (let tries = 0; tries < 3; tries += 1) {
			const awaited = this.#awaited.get(key);
			const known = this.#known(key) ?? (awaited === undefined ? null : await awaited);
			if (known !== null) {
				currentSet()?.take(known.from);
				return { answer: known.answer, wasKept: true };
			}
			if (awaited === undefined) break;
		}
		const from = new ReadSet(currentSet());
		this.#making.add(from);
		let done: (kept: Kept<T> | null) => void = () => {};
		const mine = new Promise<Kept<T> | null>((resolve) => (done = resolve));
		this.#awaited.set(key, mine);
		let kept: Kept<T> | null = null;
		try {
			const answer = await noting(from, make);
			const weight = this.#weigh(answer);
			if (weight !== null && this.#isHeard(from)) {
				kept = { answer, from };
				this.#kept.set(key, kept, { size: weight + 2000 });
			}
			return { answer, wasKept: false };
		} finally {
			this.#making.delete(from);
			if (this.#awaited.get(key) === mine) this.#awaited.delete(key);
			done(kept);
		}
	}

	/** What is there under this key; null: it would have to be made, or is being made. */
	peek(key: string): T | null {
		return this.#known(key)?.answer ?? null;
	}
	/** While nobody hears what is written, nothing that was kept is known to hold. */
	#known(key: string): Kept<T> | null {
		return this.#ear()?.tables == null ? null : (this.#kept.get(key) ?? null);
	}

	/** Nothing it was made from has been written meanwhile, and every table it was made from says when it is. */
	#isHeard(from: ReadSet): boolean {
		const tables = this.#ear()?.tables ?? null;
		return !from.spoiled && !from.passing && tables !== null && [...from.tables].every((table) => tables.has(table));
	}

	written(row: Written): void {
		for (const from of this.#making) if (from.has(row)) from.spoiled = true;
		for (const [key, { from }] of this.#kept.entries()) if (from.has(row)) this.#kept.delete(key);
	}
	forgetAll(): void {
		for (const from of this.#making) from.spoiled = true;
		this.#kept.clear();
	}
}
