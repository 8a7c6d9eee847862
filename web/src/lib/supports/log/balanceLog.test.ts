import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { stubServer, stubStorage } from '$lib/testing/browserStubs';
import { BalanceLog } from './balanceLog.svelte';
import { setBench } from './setBench';

const gone: string[] = [];
vi.mock('$lib/shell/refresh', () => ({ refresh: async () => {} }));
vi.mock('$app/navigation', () => ({
	goto: async (to: string) => void gone.push(to)
}));
let stored: Map<string, string>;
beforeEach(() => {
	stored = stubStorage();
	gone.length = 0;
});
afterEach(() => void vi.unstubAllGlobals());

const ok = (id: string) => ({ status: 200, body: { id, loggedAt: '2026-01-02T09:30:00.000Z' } });

describe('logging a balance', () => {
	function bench() {
		const state = { now: { trim: 1 } };
		const order: string[] = [];
		const log = new BalanceLog(
			() => state.now,
			async () => void order.push('saved')
		);
		return { state, order, log };
	}
	it('saves first, sends the note and what stands there, and says where it is', async () => {
		const { log, order } = bench();
		const sent = stubServer(() => {
			order.push('sent');
			return ok('entry');
		});
		log.note = '  Held by Joss. ';
		await log.log(({ trim }) => ({ trim }));
		expect(order).toEqual(['saved', 'sent']);
		expect(sent[0]).toMatchObject({ path: '/api/balances', body: { note: 'Held by Joss.', trim: 1 } });
		expect(log.logged).toMatchObject({ href: '/logbook/entry' });
		expect(log.logging).toBe(false);
	});
	it('is sent under one id until it is answered, and under another for another setting', async () => {
		const { log, state } = bench();
		let link = false;
		const sent = stubServer(() => (link ? ok('entry') : 'no link'));
		await log.log(() => ({}));
		expect(log.trouble).toContain('No link to the server');
		expect(log.logged).toBeNull();
		link = true;
		await log.log(() => ({}));
		expect(log.trouble).toBe('');
		expect(sent[0]!.body.id).toBe(sent[1]!.body.id);
		state.now = { trim: 2 };
		await log.log(() => ({}));
		expect(sent[2]!.body.id).not.toBe(sent[1]!.body.id);
	});
	it('is not logged any more once something was moved', async () => {
		const { log, state } = bench();
		stubServer(() => ok('entry'));
		await log.log(() => ({}));
		const before = state.now;
		state.now = { trim: 3 };
		expect(log.logged).toBeNull();
		state.now = before;
		expect(log.logged).not.toBeNull();
	});
	it('says what to do when the payload was changed by somebody else', async () => {
		const { log } = bench();
		stubServer(() => ({ status: 409, body: { error: { code: 'stale', message: 'stale' } } }));
		await log.log(() => ({}));
		expect(log.trouble).toContain('The payload was changed meanwhile. Reload');
		expect(log.logged).toBeNull();
	});
});

describe('setting a bench up from the logbook', () => {
	it('puts it, forgets what this browser kept of it, and goes there', async () => {
		stored.set('poise.bench.c.p', '{}');
		const sent = stubServer(() => ({ status: 200, body: null }));
		expect(await setBench({ kind: 'crane', supportId: 'c', payloadId: 'p' }, { choice: 0 })).toBe('');
		expect(sent[0]).toMatchObject({ method: 'PUT', path: '/api/benches/c/p', body: { choice: 0 } });
		expect([...stored.keys()].filter((key) => key.includes('bench.c.p'))).toEqual([]);
		expect(gone).toEqual(['/balance/crane/c/p']);
	});
	it('stays, keeps everything and says why when it is refused', async () => {
		stored.set('poise.bench.c.p', '{}');
		stubServer(() => ({ status: 404, body: { error: { code: 'notFound', message: 'That crane is gone.' } } }));
		expect(await setBench({ kind: 'crane', supportId: 'c', payloadId: 'p' }, {})).toBe('That crane is gone.');
		expect(gone).toEqual([]);
		expect(stored.size).toBe(1);
	});
});
