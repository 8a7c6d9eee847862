import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { freshChecklist } from '$lib/model/paper';
import { RigKeeper } from '$lib/supports/gimbal/rigKeeper.svelte';
import { stubServer, stubStorage } from '$lib/testing/browserStubs';
import { rig } from '$lib/testing/scenario';
import { supportGear } from '$lib/supports/address';
import { settleWith } from './editGear';
import { keep } from './kept';
import { KeptDocument } from './keptDocument.svelte';
import { PaperKeeper } from './paperKeeper.svelte';
import { holds, saveOver } from './saveOver';

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
		expect(sent[0]!.body).toEqual({ items: [], waived: expect.objectContaining({ reason: 'Rehearsal' }) });
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

describe('a rig being edited', () => {
	const small = { ...rig('Small'), version: 4 };
	it('names the version it was made from and takes the new one', async () => {
		const versions: number[] = [];
		stubServer(({ body }) => {
			versions.push(body.version);
			return { status: 200, body: { ...small, version: body.version + 1 } };
		});
		const keeper = new RigKeeper(small);
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
		const keeper = new RigKeeper(small);
		keeper.set({ name: 'Mine' });
		await vi.advanceTimersByTimeAsync(1500);
		expect(keeper.document.saving).toBe('stale');
		keeper.set({ name: 'Mine still' });
		await vi.advanceTimersByTimeAsync(5000);
		expect(keeper.document.saving).toBe('stale');
		stale = false;
		await settleWith(keeper.document, supportGear('gimbal'), small.id, 'theirs');
		expect(keeper.draft.name).toBe('Theirs');
		keeper.document.undo();
		expect(keeper.draft.name).toBe('Mine still');
		keeper.document.stop();
	});
});

describe('a document kept and sent', () => {
	const made = (put: (value: { n: number }, version: number) => Promise<unknown>) =>
		new KeptDocument<{ n: number }>('doc', { n: 0 }, put as never);

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

describe('saving over a version', () => {
	it('takes its own save with a lost answer for saved, somebody else’s for a conflict', async () => {
		const stale = { status: 409, body: { error: { code: 'stale', message: 'stale' } } };
		let held: object = { name: 'A', list: [1, { b: 2, a: 1 }], version: 5 };
		stubServer(({ method }) => (method === 'GET' ? { status: 200, body: held } : stale));
		const mine = { name: 'A', list: [1, { a: 1, b: 2 }] };
		expect(await saveOver('/api/x', mine, 4)).toMatchObject({ ok: true, value: { version: 5 } });
		held = { name: 'B', list: [1, { b: 2, a: 1 }], version: 5 };
		expect(await saveOver('/api/x', mine, 4)).toMatchObject({ ok: false });
		expect(holds([1, 2, 3], [1, 2])).toBe(false);
		expect(holds({ a: [] }, { a: {} })).toBe(false);
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
