import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { send, serve, type Served } from '../application';

/** The doors of Moves: what is kept, what is refused, two people at once, and a venue that goes meanwhile. */
let served: Served;
const ask = (method: string, path: string, body?: unknown) => send(served.origin, method, path, body);
const get = async <T>(path: string): Promise<T> => (await ask('GET', path)).body as T;
interface Saved {
	readonly id: string;
	readonly version: number;
	readonly move: { readonly name: string; readonly venueId: string | null; readonly knots: readonly object[] };
}
const named = async (word: string) =>
	(await get<Saved[]>('/api/moves')).find(({ move }) => move.name.startsWith(word))!;

beforeAll(async () => {
	served = await serve();
});
afterAll(() => served?.stop());

describe('what is kept of a move', () => {
	it('the second of two saves over one version is stale and overwrites nothing', async () => {
		const { id, version, move } = await named('Hold');
		const answers = await Promise.all(
			['mine', 'theirs'].map((job) => ask('PUT', `/api/moves/${id}`, { version, move: { ...move, job } }))
		);
		expect(answers.map(({ status }) => status).sort()).toEqual([200, 409]);
		expect((await get<Saved>(`/api/moves/${id}`)).version).toBe(version + 1);
	});

	it('survives a power cut, and its history has it', async () => {
		const { id, version, move } = await named('Salute');
		expect((await ask('PUT', `/api/moves/${id}`, { version, move: { ...move, job: 'after the cut' } })).status).toBe(
			200
		);
		await served.killAndRestart();
		expect(await get<Saved>(`/api/moves/${id}`)).toMatchObject({
			version: version + 1,
			move: { job: 'after the cut' }
		});
		const [newest] = await get<{ content: { job: string } }[]>(`/api/edits/move/${id}`);
		expect(newest?.content.job).toBe('after the cut');
	});

	it('a venue deleted meanwhile leaves the move, on an empty floor, and a save over it is taken', async () => {
		const { id, version, move } = await named('North');
		expect(move.venueId).not.toBeNull();
		expect((await ask('DELETE', `/api/venues/${move.venueId}`)).status).toBe(200);
		const after = await get<Saved>(`/api/moves/${id}`);
		expect(after.move.venueId).toBeNull();
		expect(after.move.knots).toEqual(move.knots);
		// A page that still has the venue in hand.
		const saved = await ask('PUT', `/api/moves/${id}`, { version: after.version, move: { ...move, job: 'kept' } });
		expect(saved.status).toBe(200);
		expect(saved.body).toMatchObject({ version: version + 1, move: { job: 'kept', venueId: null } });
	});

	it('refuses what is no move, and says at which field', async () => {
		const { id, version, move } = await named('Hold');
		const put = (change: object) => ask('PUT', `/api/moves/${id}`, { version, move: { ...move, ...change } });
		for (const change of [
			{ safetyM: 'wide' },
			{ safetyM: 1e9 },
			{ knots: [] },
			{ knots: [...move.knots, ...move.knots] },
			{ name: ' ' },
			{ support: { kind: 'balloon' } },
			{ ranBackwards: { by: 'me' } }
		]) {
			const answer = await put(change);
			expect(answer.status, JSON.stringify(change)).toBe(422);
			expect(JSON.stringify(answer.body)).toMatch(/error/);
		}
		expect((await get<Saved>(`/api/moves/${id}`)).version).toBe(version);
	});

	it('what ran is logged once however often it is sent, as the version that was in hand', async () => {
		const { id, version } = await named('Hold');
		const run = { id: randomUUID(), version, note: 'sent twice', seen: 'asPlanned' };
		const sent = await Promise.all([1, 2].map(() => ask('POST', `/api/moves/${id}/runs`, run)));
		expect(sent.map(({ status }) => status)).toEqual([200, 200]);
		const page = await (await fetch(`${served.origin}/logbook?search=sent+twice`)).text();
		expect(page.match(/data-entry="Hold the hands"/g)).toHaveLength(1);
		// Found by the day that it is listed for, and by no other.
		const found = async (search: string) =>
			(await (await fetch(`${served.origin}/logbook?search=${encodeURIComponent(search)}`)).text()).includes(run.id);
		const day = (back: number) =>
			new Date(Date.now() - back * 86_400_000).toLocaleDateString('en-GB', { day: 'numeric', month: 'short' });
		expect(await Promise.all([day(0), 'today sent', day(3), 'yesterday sent'].map(found))).toEqual([
			...[true, true, false, false]
		]);
		const stale = await ask('POST', `/api/moves/${id}/runs`, { ...run, id: randomUUID(), version: version - 1 });
		expect(stale.status).toBe(409);
		// Struck out, it stays to be read.
		expect((await ask('PATCH', `/api/moves/runs/${run.id}`, { struck: true })).body).toMatchObject({ struck: true });
		expect((await ask('DELETE', `/api/moves/${id}`)).status).toBe(200);
		expect((await fetch(`${served.origin}/logbook/run/${run.id}`)).status).toBe(200);
	});

	it('a head is kept with its version, and gone it leaves the moves that copied it', async () => {
		const heads = await get<{ id: string; version: number; name: string; head: object }[]>('/api/heads');
		const { id, version, name, head } = heads[0]!;
		const answers = await Promise.all(
			[1, 2].map((massKg) => ask('PUT', `/api/heads/${id}`, { version, name, head: { ...head, massKg } }))
		);
		expect(answers.map(({ status }) => status).sort()).toEqual([200, 409]);
		for (const each of heads) expect((await ask('DELETE', `/api/heads/${each.id}`)).status).toBe(200);
		for (const each of await get<Saved[]>('/api/moves'))
			expect((await fetch(`${served.origin}/moves/${each.id}`)).status).toBe(200);
	});
});
