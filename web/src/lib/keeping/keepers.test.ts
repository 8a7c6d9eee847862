import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { freshChecklist } from '$lib/model/paper';
import { GimbalKeeper } from '$lib/supports/gimbal/gimbalKeeper.svelte';
import { stubServer, stubStorage } from '$lib/testing/browserStubs';
import { rig } from '$lib/testing/scenario';
import { keep } from './kept';
import { KeptDocument } from './keptDocument.svelte';
import { PaperKeeper } from './paperKeeper.svelte';
import { holds, same } from './holds';

beforeEach(() => {
	vi.useFakeTimers();
	stubStorage();
});
afterEach(() => {
	vi.useRealTimers();
	vi.unstubAllGlobals();
});
let count = 0;
const list = () => freshChecklist(() => `id${(count += 1)}`);
const away = { status: 503, body: { error: { code: 'databaseAway', message: 'away' } } };
const saved = { status: 200, body: { saved: true } };

describe('a paper being written', () => {
	it('is sent a moment later, once, as it last stood', async () => {
		const sent = stubServer(() => saved);
		const keeper = new PaperKeeper('p', 'checklist', list());
		keeper.change({ items: [] }, 'a');
		keeper.change({ waived: { reason: 'Rehearsal', by: 'Pia', at: '2026-01-01T00:00:00.000Z' } });
		await vi.advanceTimersByTimeAsync(2000);
		expect(sent).toHaveLength(1);
		expect(sent[0]!.method).toBe('PATCH');
		expect(sent[0]!.body).toEqual({
			begun: expect.objectContaining({ waived: null }),
			wanted: { items: [], waived: expect.objectContaining({ reason: 'Rehearsal' }) }
		});
		expect(keeper.state).toBe('saved');
	});
	it('is undone after a reload too, unless somebody else has changed it since', async () => {
		stubServer(() => saved);
		const start = list();
		const keeper = new PaperKeeper('p', 'checklist', start);
		keeper.change({ items: start.items.slice(1) });
		keeper.change({ items: [] });
		await vi.advanceTimersByTimeAsync(2000);
		expect(keeper.state).toBe('saved');
		keeper.stop();
		const after = new PaperKeeper('p', 'checklist', { ...start, items: [] });
		after.restore();
		expect(after.canUndo).toBe(true);
		after.undo();
		expect(after.paper.items).toHaveLength(start.items.length - 1);
		after.undo();
		expect(after.paper.items).toHaveLength(start.items.length);
		await vi.advanceTimersByTimeAsync(2000);
		after.stop();
		const others = new PaperKeeper('p', 'checklist', { ...start, items: start.items.slice(3) });
		others.restore();
		expect([others.canUndo, others.paper.items.length]).toEqual([false, start.items.length - 3]);
	});
	it('outlives a lost link and a reload, and is undone step by step', async () => {
		let link = false;
		stubServer(() => (link ? saved : away));
		const start = list();
		const keeper = new PaperKeeper('p', 'checklist', start);
		keeper.change({ items: start.items.slice(1) });
		await vi.advanceTimersByTimeAsync(1000);
		expect(keeper.state).toBe('unsaved');
		keeper.stop();
		const again = new PaperKeeper('p', 'checklist', start);
		again.restore();
		expect(again.paper.items).toHaveLength(start.items.length - 1);
		link = true;
		await vi.advanceTimersByTimeAsync(8000);
		expect(again.state).toBe('saved');
		again.change({ items: [] });
		again.undo();
		expect(again.paper.items).toHaveLength(start.items.length - 1);
		again.redo();
		expect(again.paper.items).toEqual([]);
		again.stop();
		const fresh = new PaperKeeper('q', 'checklist', start);
		fresh.restore();
		expect(fresh.paper).toBe(start);
	});
	it('says what the server will not have, and keeps it', async () => {
		stubServer(() => ({
			status: 422,
			body: { error: { code: 'invalid', message: 'No.', fields: { 'items.0.text': 'The check is missing.' } } }
		}));
		const keeper = new PaperKeeper('p', 'checklist', list());
		keeper.change({ items: [{ id: 'x', text: '', ticked: null }] });
		await vi.advanceTimersByTimeAsync(1000);
		expect(keeper.trouble).toBe('The check is missing.');
		expect(keeper.paper.items[0]!.text).toBe('');
	});
});

describe('a gimbal being edited', () => {
	const small = { ...rig('Small'), version: 4 };
	it('names the version it was made from and takes the new one', async () => {
		const versions: number[] = [];
		stubServer(({ body }) => {
			versions.push(body.version);
			return { status: 200, body: { ...small, version: body.version + 1 } };
		});
		const keeper = new GimbalKeeper(small);
		keeper.slide('plate', { knobPitchM: 0.002 }, 'pitch');
		await vi.advanceTimersByTimeAsync(1500);
		keeper.axis('tilt', { frictionNm: 0.02 }, 'friction');
		await vi.advanceTimersByTimeAsync(1500);
		expect(versions).toEqual([4, 5]);
		expect(keeper.document.saving).toBe('saved');
		expect(keeper.draft.geometry.slides[0]!.knobPitchM).toBe(0.002);
	});
	it('stops at somebody else’s save, and goes over it or takes it only when told', async () => {
		let stale = true;
		stubServer(({ method }) => {
			if (method === 'GET') return { status: 200, body: { ...small, name: 'Theirs', version: 9 } };
			return stale
				? { status: 409, body: { error: { code: 'stale', message: 'stale' } } }
				: { status: 200, body: { ...small, version: 10 } };
		});
		const keeper = new GimbalKeeper(small);
		keeper.set({ name: 'Mine' });
		await vi.advanceTimersByTimeAsync(1500);
		expect(keeper.document.saving).toBe('stale');
		keeper.set({ name: 'Mine still' });
		await vi.advanceTimersByTimeAsync(5000);
		expect(keeper.document.saving).toBe('stale');
		stale = false;
		await keeper.document.takeTheirs();
		expect(keeper.draft.name).toBe('Theirs');
		keeper.document.undo();
		expect(keeper.draft.name).toBe('Mine still');
		keeper.document.stop();
	});
});

describe('a document kept and sent', () => {
	const made = (put: (value: { n: number }, version: number) => Promise<unknown>) =>
		new KeptDocument<{ n: number }>('doc', { n: 0 }, { put: put as never });

	it('sends one save at a time, the next with the version of the last', async () => {
		const versions: number[] = [];
		let answer: () => void = () => undefined;
		const document = made((_value, version) => {
			versions.push(version);
			return new Promise((resolve) => {
				answer = () => resolve({ ok: true, value: { version: version + 1 } });
			});
		});
		document.set({ n: 1 });
		await vi.advanceTimersByTimeAsync(600);
		document.set({ n: 2 });
		await vi.advanceTimersByTimeAsync(5000);
		expect(versions).toEqual([1]);
		answer();
		await vi.advanceTimersByTimeAsync(1000);
		expect(versions).toEqual([1, 2]);
		answer();
		await vi.advanceTimersByTimeAsync(10);
		expect(document.saving).toBe('saved');
	});
	it('comes back after a reload with its steps, and not in a shape it does not know', async () => {
		const away = async () => ({ ok: false, away: true, error: { code: 'databaseAway', message: 'away' } });
		const document = made(away);
		document.set({ n: 1 });
		document.set({ n: 2 });
		await vi.advanceTimersByTimeAsync(700);
		expect(document.linkLost).toBe(true);
		document.stop();
		const again = made(async () => ({ ok: true, value: {} }));
		again.restore();
		expect(again.value).toEqual({ n: 2 });
		again.undo();
		expect(again.value).toEqual({ n: 1 });
		await vi.advanceTimersByTimeAsync(700);
		expect(again.saving).toBe('saved');
		keep('doc', { version: 3, draft: { n: 9 } });
		const odd = made(away);
		odd.restore();
		expect(odd.value).toEqual({ n: 0 });
	});
});

describe('a document that two change at once', () => {
	type Doc = Readonly<Record<string, number>>;
	const told = { by: 'Pia', theirs: 1, over: 0 };
	/** A server that has something of somebody else's by now. */
	const made = (theirs: Doc, from: Doc[], gate: Promise<void> = Promise.resolve()) =>
		new KeptDocument<Doc>(
			'two',
			{ a: 0, b: 0, c: 0 },
			{
				put: async (value, _version, base) => {
					from.push(base);
					await gate;
					return { ok: true, value: { value: { ...value, ...theirs }, meanwhile: told } } as never;
				}
			}
		);

	it('stands as the server has it, says who, and can be read and put away', async () => {
		const from: Doc[] = [];
		const document = made({ b: 7 }, from);
		document.set({ a: 1, b: 0, c: 0 });
		await vi.advanceTimersByTimeAsync(700);
		expect(from).toEqual([{ a: 0, b: 0, c: 0 }]);
		expect(document.value).toEqual({ a: 1, b: 7, c: 0 });
		expect(document.saving).toBe('saved');
		expect(document.meanwhile).toEqual(told);
		document.meanwhile = null;
		// The next change is told from what stands now.
		document.set({ a: 1, b: 7, c: 3 });
		await vi.advanceTimersByTimeAsync(700);
		expect(from[1]).toEqual({ a: 1, b: 7, c: 0 });
	});
	it('keeps what was changed here while the save was on its way, and sends it', async () => {
		const from: Doc[] = [];
		let open: () => void = () => undefined;
		const document = made({ b: 7 }, from, new Promise((resolve) => (open = resolve)));
		document.set({ a: 1, b: 0, c: 0 });
		await vi.advanceTimersByTimeAsync(700);
		document.set({ a: 1, b: 0, c: 5 });
		open();
		await vi.advanceTimersByTimeAsync(10);
		expect(document.value).toEqual({ a: 1, b: 7, c: 5 });
		expect(document.saving).toBe('unsaved');
		await vi.advanceTimersByTimeAsync(700);
		expect(from[1]).toEqual({ a: 1, b: 7, c: 0 });
		expect(document.saving).toBe('saved');
	});
	it('sends after a reload what was changed from what it was changed from', async () => {
		const lost = new KeptDocument<Doc>(
			'two',
			{ a: 0, b: 0, c: 0 },
			{
				put: async () => ({ ok: false, away: true, error: { code: 'databaseAway', message: 'away' } }) as never
			}
		);
		lost.set({ a: 1, b: 0, c: 0 });
		await vi.advanceTimersByTimeAsync(700);
		lost.stop();
		const from: Doc[] = [];
		// By now somebody else changed b; the page comes with that.
		const again = new KeptDocument<Doc>(
			'two',
			{ a: 0, b: 7, c: 0 },
			{
				put: async (value, _version, base) => {
					from.push(base);
					return { ok: true, value: { value: { ...value, b: 7 } } } as never;
				}
			}
		);
		again.restore();
		await vi.advanceTimersByTimeAsync(700);
		expect(from).toEqual([{ a: 0, b: 0, c: 0 }]);
		expect(again.value).toEqual({ a: 1, b: 7, c: 0 });
	});
});

describe('a page that is left while its save is on its way', () => {
	it('takes back on the next page what that save had put there', async () => {
		type Doc = { readonly a: number; readonly looks?: readonly string[] };
		const lost = new KeptDocument<Doc>('left', { a: 0 }, { put: () => new Promise(() => undefined) });
		lost.set({ a: 1, looks: ['holds'] });
		await vi.advanceTimersByTimeAsync(700);
		// It arrived, and nobody heard of it; the next page comes with what it left.
		const froms: Doc[] = [];
		const next = new KeptDocument<Doc>(
			'left',
			{ a: 1, looks: ['holds'] },
			{
				put: async (value, _version, base) => {
					froms.push(base);
					return { ok: true, value: { value } } as never;
				}
			}
		);
		next.restore();
		next.set({ a: 0 });
		await vi.advanceTimersByTimeAsync(700);
		expect(froms).toEqual([{ a: 1, looks: ['holds'] }]);
		expect(next.value).toEqual({ a: 0 });
	});
});

describe('a document that names its version', () => {
	interface Doc {
		readonly name: string;
		readonly list: readonly unknown[];
	}
	const first: Doc = { name: 'A', list: [1, { b: 2, a: 1 }] };
	/** A server that keeps one document by version; `mute` takes a save and loses the answer. */
	function server() {
		const held = { value: first as Doc, version: 4, mute: false, puts: 0 };
		const kept = (value: Doc, version: number, key = 'doc') =>
			new KeptDocument<Doc>(
				key,
				value,
				{
					put: async (next, over) => {
						held.puts += 1;
						if (over !== held.version)
							return { ok: false, away: false, error: { code: 'stale', message: 'stale' } } as never;
						held.value = next;
						held.version += 1;
						if (held.mute) return { ok: false, away: true, error: { code: 'databaseAway', message: 'away' } } as never;
						return { ok: true, value: { version: held.version } } as never;
					},
					get: async () => ({ ok: true, value: { value: held.value, version: held.version } }) as never
				},
				version
			);
		return { held, kept };
	}

	it('takes its own save with a lost answer for its own, and goes on from there', async () => {
		const { held, kept } = server();
		const document = kept(first, 4);
		held.mute = true;
		document.set({ ...first, name: 'B' });
		await vi.advanceTimersByTimeAsync(700);
		expect([document.saving, held.version]).toEqual(['away', 5]);
		held.mute = false;
		document.set({ ...first, name: 'C' });
		await vi.advanceTimersByTimeAsync(5000);
		expect([document.saving, document.version, held.value.name]).toEqual(['saved', 6, 'C']);
		expect(document.theirs).toBeNull();
	});

	it('knows it again after a reload, when the page comes with the version that was saved but not confirmed', async () => {
		const { held, kept } = server();
		const before = kept(first, 4);
		held.mute = true;
		before.set({ ...first, name: 'B' });
		await vi.advanceTimersByTimeAsync(700);
		before.stop();
		held.mute = false;
		const after = kept(held.value, held.version);
		after.restore();
		await vi.advanceTimersByTimeAsync(3000);
		expect([after.value.name, after.saving, held.value.name]).toEqual(['B', 'saved', 'B']);
	});

	it('stops at somebody else’s, holds it to choose from, and puts a third over it when told to', async () => {
		const { held, kept } = server();
		const document = kept(first, 4);
		[held.value, held.version] = [{ ...first, list: [9] }, 7];
		document.set({ ...first, name: 'Mine' });
		await vi.advanceTimersByTimeAsync(700);
		expect([document.saving, document.theirs?.value.list, document.base]).toEqual(['stale', [9], first]);
		const puts = held.puts;
		document.set({ ...first, name: 'Mine still' });
		await vi.advanceTimersByTimeAsync(9000);
		expect(held.puts).toBe(puts);
		await document.keepMine({ name: 'Mine still', list: [9] });
		expect([document.saving, held.value, held.version]).toEqual(['saved', { name: 'Mine still', list: [9] }, 8]);
		document.undo();
		expect(document.value.list).toEqual(first.list);
	});

	it('stops at once after a reload, when somebody else saved while something here was unsent', async () => {
		const { held, kept } = server();
		const before = kept(first, 4);
		held.version = 5;
		held.value = { ...first, name: 'Theirs' };
		before.set({ ...first, name: 'Mine' });
		before.stop();
		const after = kept(held.value, 5);
		after.restore();
		expect([after.saving, after.value.name, after.theirs?.value.name]).toEqual(['stale', 'Mine', 'Theirs']);
		await after.takeTheirs();
		expect([after.saving, after.value.name]).toEqual(['saved', 'Theirs']);
		after.undo();
		expect(after.value.name).toBe('Mine');
	});

	it('reads what the server holds by its fields, whatever their order', () => {
		expect(holds({ b: 1, a: [{ d: 1, c: 2 }] }, { a: [{ c: 2, d: 1 }] })).toBe(true);
		expect(holds([1, 2, 3], [1, 2])).toBe(false);
		expect(holds({ a: [] }, { a: {} })).toBe(false);
		expect([same({ a: 1, b: undefined }, { a: 1 }), same({ a: 1 }, { a: 1, b: 2 })]).toEqual([true, false]);
	});
});

describe('what an older page kept under another name', () => {
	it('is found under today’s, and takes nothing from what is kept there already', async () => {
		vi.resetModules();
		const { recall } = await import('./kept');
		localStorage.setItem('poise.sledBench.s.p', JSON.stringify({ dirty: true, step: 1 }));
		localStorage.setItem('poise.rig.g', JSON.stringify({ dirty: true, step: 2 }));
		localStorage.setItem('poise.gimbal.g', JSON.stringify({ dirty: true, step: 3 }));
		expect(recall('bench.s.p')).toEqual({ dirty: true, step: 1 });
		expect(recall('gimbal.g')).toEqual({ dirty: true, step: 3 });
		expect(localStorage.getItem('poise.sledBench.s.p')).toBeNull();
	});
});

describe('a page that is being left', () => {
	it('leaves what was unconfirmed for the next page to send, though its answer comes on the way out', async () => {
		const on: Record<string, () => void> = {};
		const addEventListener = (name: string, listen: () => void) => (on[name] = listen);
		vi.stubGlobal('window', { addEventListener });
		vi.stubGlobal('document', { addEventListener, visibilityState: 'visible' });
		vi.resetModules();
		const { keepSoon, recall } = await import('./kept');
		let dirty = true;
		keepSoon('left', () => ({ dirty, step: 1 }));
		on.beforeunload!();
		dirty = false;
		keepSoon('left', () => ({ dirty, step: 1 }));
		on.pagehide!();
		expect(recall('left')).toEqual({ dirty: true, step: 1 });
		// It stayed after all: a download, say. From then on what is confirmed is kept as such again.
		await vi.advanceTimersByTimeAsync(11_000);
		keepSoon('left', () => ({ dirty, step: 2 }));
		expect(recall('left')).toEqual({ dirty: false, step: 2 });
	});
});
