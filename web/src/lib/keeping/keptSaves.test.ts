import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { refused } from '$lib/sheet/fields/refused.svelte';
import { stubStorage } from '$lib/testing/browserStubs';
import { forget, keep, keepSoon, recall } from './kept';
import { type Held, KeptDocument } from './keptDocument.svelte';

interface Doc {
	readonly a: number;
	readonly b?: number;
}
type Answer =
	{ ok: true; value: object } | { ok: false; away: boolean; error: { code: string; message: string; fields?: object } };

let stored: Map<string, string>;
beforeEach(() => {
	vi.useFakeTimers();
	stored = stubStorage();
	// What an earlier clock was to write is written now, and never again.
	recall('nothing');
	stored.clear();
});
afterEach(() => {
	vi.useRealTimers();
	vi.unstubAllGlobals();
});
const away: Answer = { ok: false, away: true, error: { code: 'databaseAway', message: 'away' } };
const stale: Answer = { ok: false, away: false, error: { code: 'stale', message: 'Somebody else saved.' } };

/** A document whose server answers as told, one answer a save, the last one over and over. */
function made(answers: (Answer | Promise<Answer>)[], there?: () => unknown, start: Doc = { a: 0 }, key = 'doc') {
	const puts: { value: Doc; version: number; base: Doc }[] = [];
	const document = new KeptDocument<Doc>(key, start, {
		put: (async (value: Doc, version: number, base: Doc) => {
			puts.push({ value, version, base });
			return answers.length > 1 ? answers.shift()! : answers[0]!;
		}) as never,
		...(there === undefined ? {} : { get: (async () => there()) as never })
	});
	return { document, puts };
}
const fine: Answer = { ok: true, value: {} };
const held = (value: Doc, version: number) => ({ ok: true, value: { value, version } satisfies Held<Doc> });
const soon = () => vi.advanceTimersByTimeAsync(700);

describe('saving', () => {
	it('begins saved, and is sent nothing that was not changed', async () => {
		const { document, puts } = made([fine]);
		expect([document.saving, document.underWay, document.linkLost, document.version]).toEqual([
			'saved',
			false,
			false,
			1
		]);
		expect(await document.save()).toBe(true);
		await vi.advanceTimersByTimeAsync(10_000);
		expect(puts).toEqual([]);
	});
	it('says that it is under way until the answer is there, and true once the server has all of it', async () => {
		let answer: (with_: Answer) => void = () => undefined;
		const { document } = made([new Promise((resolve) => (answer = resolve)), fine]);
		document.set({ a: 1 });
		expect(document.saving).toBe('unsaved');
		const done = document.save();
		await vi.advanceTimersByTimeAsync(1);
		expect(document.underWay).toBe(true);
		answer(fine);
		expect(await done).toBe(true);
		expect([document.underWay, document.saving]).toEqual([false, 'saved']);
	});
	it('false where the server has not all of it: no link, refused, or changed meanwhile', async () => {
		const lost = made([away]);
		lost.document.set({ a: 1 });
		expect(await lost.document.save()).toBe(false);
		expect([lost.document.saving, lost.document.linkLost]).toEqual(['away', true]);
		const wrong = made(
			[{ ok: false, away: false, error: { code: 'invalid', message: 'No.', fields: { a: 'Too many.' } } }],
			undefined,
			{ a: 0 },
			'wrong'
		);
		wrong.document.set({ a: 1 });
		expect(await wrong.document.save()).toBe(false);
		expect([wrong.document.saving, wrong.document.message, wrong.document.fields]).toEqual([
			'refused',
			'Too many.',
			{ a: 'Too many.' }
		]);
		// A refusal is not tried again by itself; a lost link is.
		await vi.advanceTimersByTimeAsync(20_000);
		expect(wrong.puts).toHaveLength(1);
		expect(lost.puts.length).toBeGreaterThan(3);
	});
	it('a refusal without fields says its message, and a good save puts both away', async () => {
		const { document } = made([{ ok: false, away: false, error: { code: 'invalid', message: 'No.' } }, fine]);
		document.set({ a: 1 });
		await soon();
		expect([document.message, document.fields]).toEqual(['No.', {}]);
		document.set({ a: 2 });
		await soon();
		expect([document.message, document.fields, document.saving]).toEqual(['', {}, 'saved']);
	});
	it('one at a time: a second save waits for the first, and takes what was set meanwhile', async () => {
		let answer: (with_: Answer) => void = () => undefined;
		const { document, puts } = made([
			new Promise((resolve) => (answer = resolve)),
			{ ok: true, value: { version: 8 } }
		]);
		document.set({ a: 1 });
		const first = document.save();
		document.set({ a: 2 });
		const second = document.save();
		await vi.advanceTimersByTimeAsync(5);
		expect(puts).toHaveLength(1);
		answer({ ok: true, value: { version: 5 } });
		expect(await first).toBe(false);
		expect(await second).toBe(true);
		expect(puts.map(({ value, version }) => [value.a, version])).toEqual([
			[1, 1],
			[2, 5]
		]);
		expect(document.version).toBe(8);
	});
	it('stopped, it sends no more', async () => {
		const { document, puts } = made([fine]);
		document.set({ a: 1 });
		document.stop();
		await vi.advanceTimersByTimeAsync(10_000);
		expect(puts).toEqual([]);
	});
	it('goes on from what the server made of it', async () => {
		const { document, puts } = made([{ ok: true, value: { value: { a: 1, b: 9 } } }, fine]);
		document.set({ a: 1 });
		await soon();
		expect([document.value, document.base]).toEqual([
			{ a: 1, b: 9 },
			{ a: 1, b: 9 }
		]);
		document.set({ a: 4, b: 9 });
		await soon();
		expect(puts[1]!.base).toEqual({ a: 1, b: 9 });
	});
});

describe('undoing', () => {
	it('takes a refused field back before anything that is saved, and says that it can', async () => {
		const { document } = made([fine]);
		expect([document.canUndo, document.canRedo]).toEqual([false, false]);
		document.undo();
		document.redo();
		expect(document.value).toEqual({ a: 0 });
		document.set({ a: 1 });
		const back = vi.fn();
		refused.add('field', back);
		expect(document.canUndo).toBe(true);
		document.undo();
		expect(back).toHaveBeenCalledTimes(1);
		expect(document.value).toEqual({ a: 1 });
		document.undo();
		expect(document.value).toEqual({ a: 0 });
		expect([document.canUndo, document.canRedo]).toEqual([false, true]);
		document.redo();
		expect([document.value, document.canRedo]).toEqual([{ a: 1 }, false]);
	});
	it('changes about one thing are one step until they are settled', () => {
		const { document } = made([fine]);
		document.set({ a: 1 }, 'a');
		document.set({ a: 2 }, 'a');
		document.settle();
		document.set({ a: 3 }, 'a');
		document.undo();
		expect(document.value).toEqual({ a: 2 });
		document.undo();
		expect(document.value).toEqual({ a: 0 });
	});
});

describe('somebody else’s save', () => {
	it('stops everything, holds theirs, and is gone over or taken as told; mine stays one undo away', async () => {
		const server = { value: { a: 9 }, version: 4 };
		const { document, puts } = made([stale, { ok: true, value: { version: 5 } }], () =>
			held(server.value, server.version)
		);
		document.set({ a: 1 });
		await soon();
		expect([document.saving, document.theirs]).toEqual(['stale', { value: { a: 9 }, version: 4 }]);
		document.set({ a: 2 });
		await vi.advanceTimersByTimeAsync(10_000);
		expect(puts).toHaveLength(1);
		expect(await document.save()).toBe(false);
		await document.keepMine();
		expect(puts[1]).toMatchObject({ value: { a: 2 }, version: 4, base: { a: 9 } });
		expect([document.saving, document.theirs, document.version]).toEqual(['saved', null, 5]);

		const other = made([stale, fine], () => held({ a: 9 }, 4), { a: 0 }, 'other');
		other.document.set({ a: 1 });
		await soon();
		await other.document.takeTheirs();
		expect([other.document.value, other.document.saving, other.document.version, other.document.message]).toEqual([
			{ a: 9 },
			'saved',
			4,
			''
		]);
		expect(await other.document.save()).toBe(true);
		expect(other.puts).toHaveLength(1);
		other.document.undo();
		expect(other.document.value).toEqual({ a: 1 });
	});
	it('the two put together go over theirs as one step', async () => {
		const { document, puts } = made([stale, fine], () => held({ a: 9 }, 4));
		document.set({ a: 1 });
		await soon();
		await document.keepMine({ a: 1, b: 9 });
		expect(puts[1]).toMatchObject({ value: { a: 1, b: 9 }, version: 4 });
		document.undo();
		expect(document.value).toEqual({ a: 1 });
	});
	it('not heard at first it is asked for when somebody chooses; not heard then either, nothing is overwritten', async () => {
		let link = false;
		const lost = { ok: false, away: true, error: { code: 'databaseAway', message: 'No link.' } };
		const { document, puts } = made([stale, fine], () => (link ? held({ a: 9 }, 4) : lost));
		document.set({ a: 1 });
		await soon();
		expect([document.saving, document.theirs]).toEqual(['stale', null]);
		await document.keepMine();
		await document.takeTheirs();
		expect([puts.length, document.saving, document.value, document.message]).toEqual([
			1,
			'stale',
			{ a: 1 },
			'No link.'
		]);
		link = true;
		await document.takeTheirs();
		expect([document.value, document.saving]).toEqual([{ a: 9 }, 'saved']);
	});
	it('a document whose saves name no version cannot ask, and keeps what it has', async () => {
		const { document } = made([stale]);
		document.set({ a: 1 });
		await soon();
		await document.keepMine();
		await document.takeTheirs();
		expect([document.saving, document.theirs, document.value]).toEqual(['stale', null, { a: 1 }]);
	});
	it('what the server holds is ours where it was sent by this browser: no conflict', async () => {
		const { document, puts } = made([away, stale, { ok: true, value: { version: 6 } }], () => held({ a: 1 }, 5));
		document.set({ a: 1 });
		await soon();
		document.set({ a: 2 });
		await vi.advanceTimersByTimeAsync(10_000);
		expect([document.saving, document.theirs]).toEqual(['saved', null]);
		expect(puts.at(-1)).toMatchObject({ value: { a: 2 }, version: 5 });
		const same = made([away, stale], () => held({ a: 1 }, 5), { a: 0 }, 'same');
		same.document.set({ a: 1 });
		await vi.advanceTimersByTimeAsync(10_000);
		expect([same.document.saving, same.document.version, await same.document.save()]).toEqual(['saved', 5, true]);
		expect(same.puts).toHaveLength(2);
	});
});

describe('what this browser keeps', () => {
	it('is written a moment after many changes, once, and read back at once', async () => {
		const read = vi.fn(() => ({ n: 3 }));
		keepSoon('x', () => ({ n: 1 }));
		keepSoon('x', read);
		expect(stored.size).toBe(0);
		await vi.advanceTimersByTimeAsync(1500);
		expect(JSON.parse(stored.get('poise.x')!)).toEqual({ n: 3 });
		expect(read).toHaveBeenCalledTimes(1);
		keepSoon('x', () => ({ n: 4 }));
		expect(recall('x')).toEqual({ n: 4 });
		forget('x');
		expect([recall('x'), stored.has('poise.x')]).toEqual([null, false]);
		keepSoon('y', () => ({ n: 5 }));
		forget('y');
		await vi.advanceTimersByTimeAsync(1500);
		expect(stored.has('poise.y')).toBe(false);
	});
	it('waits for an idle moment where the browser has one', async () => {
		const idle = vi.fn((work: () => void) => work());
		vi.stubGlobal('requestIdleCallback', idle);
		keepSoon('x', () => 1);
		await vi.advanceTimersByTimeAsync(1500);
		expect(idle).toHaveBeenCalledTimes(1);
		expect(idle.mock.calls[0]![1 as never]).toEqual({ timeout: 1000 });
		expect(stored.get('poise.x')).toBe('1');
	});
	it('full, it gives up what the server has confirmed, nothing else, and no other program’s', () => {
		stored.set('poise.old', '{"dirty":false,"history":{}}');
		stored.set('poise.mine', '{"dirty":true}');
		stored.set('other.old', '{"dirty":false}');
		let full = true;
		const set = localStorage.setItem.bind(localStorage);
		localStorage.setItem = (key: string, value: string) => {
			if (full && stored.has('poise.old')) throw new Error('QuotaExceededError');
			set(key, value);
		};
		keep('new', { dirty: true });
		expect([...stored.keys()].sort()).toEqual(['other.old', 'poise.mine', 'poise.new']);
		// The one that is written is not given up for itself.
		full = true;
		stored.set('poise.old', '{"dirty":false}');
		stored.set('poise.new', '{"dirty":false,"n":1}');
		keep('new', { dirty: false, n: 2 });
		expect(JSON.parse(stored.get('poise.new')!)).toEqual({ dirty: false, n: 2 });
		expect(stored.has('poise.old')).toBe(false);
	});
	it('forbidden, or not to be read, it loses the copy and never the page', () => {
		vi.stubGlobal('localStorage', {
			getItem: () => {
				throw new Error('forbidden');
			},
			setItem: () => {
				throw new Error('forbidden');
			},
			removeItem: () => {
				throw new Error('forbidden');
			},
			key: () => null,
			length: 0
		});
		expect(() => keep('x', 1)).not.toThrow();
		expect(() => forget('x')).not.toThrow();
		expect(recall('x')).toBeNull();
	});
	it('damaged, it is nothing', () => {
		stored.set('poise.x', '{"half":');
		expect(recall('x')).toBeNull();
		stored.set('poise.doc', '{"history":null}');
		const { document } = made([fine]);
		document.restore();
		expect([document.value, document.saving]).toEqual([{ a: 0 }, 'saved']);
	});
});
