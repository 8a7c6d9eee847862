import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { LiveHead, LivePose } from '../../src/lib/model/liveHead';
import { send, serve, type Served } from '../application';

/** What is kept of heads and poses: at once, once, locked, by version, over a power cut. */
let served: Served;
let head: LiveHead;
const ask = (method: string, path: string, body?: unknown) => send(served.origin, method, path, body);
const fresh = async () => ((await ask('GET', '/api/live/heads')).body as LiveHead[])[1]!;
const pose = (name: string, values: Record<string, number> = { panRad: 0.5 }) => ({ id: randomUUID(), name, values });
const save = (path: LivePose, more: Partial<LivePose>) => {
	const { name, values, locked, ordinal, version } = path;
	return ask('PUT', `/api/live/poses/${path.id}`, { name, values, locked, ordinal, version, ...more });
};
const draft = ({ name, number, venueId, settings, version }: LiveHead) => ({
	name,
	number,
	venueId,
	settings,
	version
});

beforeAll(async () => {
	served = await serve();
	head = await fresh();
});
afterAll(() => served.stop());

describe('a pose', () => {
	it('is kept the moment it is saved, once however often it is sent, and survives a power cut', async () => {
		const made = pose('kept');
		const [one, two] = await Promise.all([1, 2].map(() => ask('POST', `/api/live/heads/${head.id}/poses`, made)));
		expect([one!.status, two!.status]).toEqual([200, 200]);
		expect(one!.body.id).toBe(two!.body.id);
		await served.killAndRestart();
		const again = await ask('POST', `/api/live/heads/${head.id}/poses`, made);
		expect(again.body).toEqual(one!.body);
	});

	it('two saved at once stand one after the other; two of one name are refused at the name', async () => {
		const made = await Promise.all(
			['first', 'second'].map((name) => ask('POST', `/api/live/heads/${head.id}/poses`, pose(name)))
		);
		const ordinals = made.map(({ body }) => body.ordinal as number);
		expect(new Set(ordinals).size).toBe(2);
		const refused = await ask('POST', `/api/live/heads/${head.id}/poses`, pose('first'));
		expect(refused.status).toBeGreaterThanOrEqual(400);
		expect(refused.status).toBeLessThan(500);
	});

	it('locked it takes nothing but being unlocked; over an older version nothing is saved', async () => {
		const { body: made } = await ask('POST', `/api/live/heads/${head.id}/poses`, pose('locked'));
		const { body: locked } = await save(made, { locked: true });
		expect(locked.locked).toBe(true);
		expect((await save(locked, { values: { panRad: 1 } })).status).toBe(422);
		expect((await ask('DELETE', `/api/live/poses/${made.id}`)).status).toBe(422);
		expect((await save(made, { locked: false })).status).toBe(409);
		const { body: open } = await save(locked, { locked: false });
		expect((await save(open, { values: { panRad: 1 } })).body.values).toEqual({ panRad: 1 });
	});

	it.each([
		['no figure', { panRad: null }],
		['beyond every axis', { panRad: 1e6 }],
		['no axis at all', {}],
		['an axis of no name', { 'pan rad!': 1 }]
	])('refuses %s', async (_what, values) => {
		const made = { ...pose('bad'), values };
		expect((await ask('POST', `/api/live/heads/${head.id}/poses`, made)).status).toBe(422);
	});
});

describe('a head at the desk', () => {
	it('is saved over the version it was made from, and never without who marked its zone', async () => {
		const now = await fresh();
		const watched = { ...now.settings, hold: 'watched' as const, zoneBy: null };
		expect((await ask('PUT', `/api/live/heads/${now.id}`, { ...draft(now), settings: watched })).status).toBe(422);
		const saved = await ask('PUT', `/api/live/heads/${now.id}`, { ...draft(now), name: 'Column, left' });
		expect(saved.body.version).toBe(now.version + 1);
		expect((await ask('PUT', `/api/live/heads/${now.id}`, { ...draft(now), name: 'Late' })).status).toBe(409);
		expect((await fresh()).name).toBe('Column, left');
	});
	it('has its number to itself, from 1 to 99', async () => {
		const now = await fresh();
		for (const number of [0, 100, 1.5, now.number === 1 ? 2 : 1])
			expect((await ask('PUT', `/api/live/heads/${now.id}`, { ...draft(now), number })).status).toBeLessThan(500);
		expect((await fresh()).number).toBe(now.number);
	});
	it('taken off the desk takes its poses along', async () => {
		const all = (await ask('GET', '/api/live/heads')).body as LiveHead[];
		const last = all[all.length - 1]!;
		expect((await ask('DELETE', `/api/live/heads/${last.id}`)).status).toBe(200);
		expect((await ask('DELETE', `/api/live/heads/${last.id}`)).status).toBe(404);
		expect((await ask('POST', `/api/live/heads/${last.id}/poses`, pose('x'))).status).toBe(404);
	});
});
