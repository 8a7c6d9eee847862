import { describe, expect, it } from 'vitest';
import { writtenIn } from '../db/changes';
import { KeptAnswers } from './keptAnswers';
import { noteQuery, notePassing } from './readSet';

const tables = new Set(['payloads', 'parts']);
const keeping = { weigh: () => 100, mostBytes: 1_000_000, longestMs: 60_000 };
const ask = (id: string, table = 'payloads') =>
	noteQuery(`select "name" from "${table}" where "${table}"."id" = $1`, [id]);

/** A row and an answer made from it, after so many turns of the loop. */
function bench(ear: () => { tables: ReadonlySet<string> | null } | null = () => ({ tables })) {
	const kept = new KeptAnswers<{ value: number }>(ear, keeping);
	let stored = 1;
	let made = 0;
	return {
		kept,
		get made() {
			return made;
		},
		write: (value: number) => {
			stored = value;
			kept.written(writtenIn('payloads ~name id=a'));
		},
		read: (also: () => unknown = () => {}) =>
			kept.of('a', async () => {
				made += 1;
				ask('a');
				const value = stored;
				await also();
				return { value };
			})
	};
}

describe('kept answers', () => {
	it('gives again what was made, until a row of it is written', async () => {
		const it = bench();
		expect(await it.read()).toEqual({ answer: { value: 1 }, wasKept: false });
		expect(await it.read()).toEqual({ answer: { value: 1 }, wasKept: true });
		it.kept.written(writtenIn('payloads ~name id=b'));
		expect((await it.read()).wasKept).toBe(true);
		it.write(2);
		expect(await it.read()).toEqual({ answer: { value: 2 }, wasKept: false });
		expect(it.made).toBe(2);
	});
	it('keeps nothing that was written while it was made, and gives it to nobody else', async () => {
		const it = bench();
		let go: () => void = () => {};
		const slow = it.read(() => new Promise<void>((resolve) => (go = resolve)));
		it.write(2);
		const waiting = it.read();
		go();
		expect((await slow).answer.value).toBe(1);
		expect(await waiting).toEqual({ answer: { value: 2 }, wasKept: false });
		expect((await it.read()).answer.value).toBe(2);
	});
	it('makes once what many ask for at once', async () => {
		const it = bench();
		const answers = await Promise.all(
			Array.from({ length: 50 }, () => it.read(() => new Promise((r) => setTimeout(r, 5))))
		);
		expect(it.made).toBe(1);
		expect(answers.filter(({ wasKept }) => wasKept)).toHaveLength(49);
	});
	it('makes anew what failed, and says so to everyone who asked', async () => {
		const kept = new KeptAnswers<{ value: number }>(() => ({ tables }), keeping);
		await expect(kept.of('a', () => Promise.reject(new Error('away')))).rejects.toThrow('away');
		expect(await kept.of('a', async () => ({ value: 3 }))).toEqual({ answer: { value: 3 }, wasKept: false });
	});
	it.each([
		['nobody listens', () => null],
		['the line is down', () => ({ tables: null })],
		['a table does not say when it is written', () => ({ tables: new Set(['parts']) })]
	])('keeps nothing while %s', async (_, ear) => {
		const it = bench(ear);
		await it.read();
		expect((await it.read()).wasKept).toBe(false);
	});
	it('gives nothing that was kept while the line is down, or has not been heard of', async () => {
		let listens: ReadonlySet<string> | null = tables;
		const it = bench(() => ({ tables: listens }));
		await it.read();
		expect(it.kept.peek('a')).toEqual({ value: 1 });
		listens = null;
		expect(it.kept.peek('a')).toBeNull();
		expect((await it.read()).wasKept).toBe(false);
	});
	it('keeps nothing that was in the making when listening began', async () => {
		let listens: ReadonlySet<string> | null = null;
		const it = bench(() => ({ tables: listens }));
		const answer = await it.read(() => {
			// Written while nobody listened; then listening begins.
			it.kept.forgetAll();
			listens = tables;
		});
		expect(answer.wasKept).toBe(false);
		expect((await it.read()).wasKept).toBe(false);
		expect((await it.read()).wasKept).toBe(true);
	});
	it('keeps nothing of the hour, nothing that weighs nothing, and forgets all when something may have been missed', async () => {
		const it = bench();
		await it.read(notePassing);
		expect((await it.read()).wasKept).toBe(false);
		expect((await it.read()).wasKept).toBe(true);
		it.kept.forgetAll();
		expect((await it.read()).wasKept).toBe(false);
		const none = new KeptAnswers<object>(() => ({ tables }), { ...keeping, weigh: () => null });
		await none.of('a', async () => ({}));
		expect((await none.of('a', async () => ({}))).wasKept).toBe(false);
	});
	it('is part of what it goes into, also when it was kept', async () => {
		const inner = new KeptAnswers<{ value: number }>(() => ({ tables }), keeping);
		const outer = new KeptAnswers<{ value: number }>(() => ({ tables }), keeping);
		const read = () => inner.of('crew', async () => (ask('c', 'parts'), { value: 1 }));
		await read();
		const page = () => outer.of('page', async () => ({ value: (await read()).answer.value }));
		await page();
		expect((await page()).wasKept).toBe(true);
		outer.written(writtenIn('parts ~name id=c'));
		expect((await page()).wasKept).toBe(false);
	});
	it('stays within its bytes', async () => {
		const kept = new KeptAnswers<{ value: number }>(() => ({ tables }), { ...keeping, mostBytes: 10_000 });
		for (let n = 0; n < 40; n += 1) await kept.of(String(n), async () => ({ value: n }));
		let still = 0;
		for (let n = 39; n >= 36; n -= 1) still += (await kept.of(String(n), async () => ({ value: n }))).wasKept ? 1 : 0;
		expect(still).toBe(4);
		expect((await kept.of('0', async () => ({ value: 0 }))).wasKept).toBe(false);
	});
});
