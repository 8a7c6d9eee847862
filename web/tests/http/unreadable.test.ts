import { randomUUID } from 'node:crypto';
import postgres from 'postgres';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Part } from '../../src/lib/model/part';
import type { Payload } from '../../src/lib/model/payload';
import type { Venue } from '../../src/lib/model/venue';
import { send, type Served, serve } from '../application';

let served: Served;
let sql: postgres.Sql;
const ask = (method: string, path: string, body?: unknown) => send(served.origin, method, path, body);
const page = async (path: string) => {
	const response = await fetch(served.origin + path);
	return { status: response.status, text: await response.text() };
};

beforeAll(async () => {
	served = await serve();
	sql = postgres(served.databaseUrl, { max: 1 });
});
afterAll(async () => {
	await sql?.end();
	await served?.stop();
});

describe('the logbook', () => {
	it('has pages: every line stands on one of them, once, the newest first', async () => {
		// Many in one microsecond, too.
		await sql`insert into balances (id, crew_id, kind, payload_id, support_id, payload_name, support_name, payload_mass_kg, placed, poised,
				struck, note, person_id, logged_at, record, words)
			select gen_random_uuid(), crew_id, kind, payload_id, support_id, payload_name, support_name, payload_mass_kg, placed, poised,
				struck, 'copy ' || k, person_id, timestamptz '2026-01-01' + (k / 7) * interval '1 microsecond', record, words || ' copied'
			from (select * from balances where kind = 'gimbal' limit 1) one, generate_series(1, 250) k`;
		const [{ count }] = await sql<[{ count: number }]>`select count(*)::int as count from balances`;
		const seen: string[] = [];
		const notes: number[] = [];
		let path: string | null = '/logbook';
		let pages = 0;
		for (; path !== null && pages < 10; pages += 1) {
			const { status, text } = await page(path);
			expect(status).toBe(200);
			expect(text.length).toBeLessThan(400_000);
			seen.push(...[...text.matchAll(/href="\/logbook\/([0-9a-f-]{36})"/g)].map((found) => found[1]!));
			notes.push(...[...text.matchAll(/>copy (\d+)</g)].map((found) => Number(found[1])));
			path =
				/href="(\/logbook\?before=[^"]+)"[^>]*data-testid="older"/.exec(text)?.[1]?.replaceAll('&amp;', '&') ?? null;
		}
		expect(new Set(seen).size).toBe(seen.length);
		expect(seen.length).toBe(count);
		const tenths = notes.map((note) => Math.floor(note / 7));
		expect(tenths).toEqual([...tenths].sort((one, two) => two - one));
		expect((await page('/logbook?before=nonsense')).text).toContain('data-testid="older"');
		// Side by side no more are offered than a hand goes through; an old one is found, and what is chosen stays.
		const offered = async (query: string) => {
			const { status, text } = await page(`/logbook/compare${query}`);
			expect(status).toBe(200);
			return [
				...(/data-testid="pick-a"[^]*?<\/select>/.exec(text)?.[0] ?? '').matchAll(/<option value="([^"]+)"/g)
			].map((found) => found[1]!);
		};
		expect((await offered('')).length).toBe(80);
		const [oldest, chosen] = [seen[seen.length - 1]!, seen[0]!];
		expect(await offered('')).not.toContain(oldest);
		expect(await offered(`?a=${oldest}&b=${chosen}`)).toContain(oldest);
		await sql`update balances set words = words || ' heirloom' where id = ${oldest}`;
		expect(await offered(`?a=${chosen}&b=${chosen}&find=heirloom`)).toEqual([chosen, oldest]);
		expect((await page(`/logbook?search=copied&before=1.${randomUUID()}`)).text).toContain('Nothing');
	});
});

describe('a picture under a plan', () => {
	it('stays while the plan shows it, however many are put after it; of the others the last few', async () => {
		const [venue] = (await ask('GET', '/api/venues')).body as Venue[];
		const put = async () => {
			const png = await sharp({ create: { width: 9, height: 9, channels: 3, background: 'red' } })
				.png()
				.toBuffer();
			const response = await fetch(`${served.origin}/api/venues/${venue!.id}/pictures`, {
				method: 'POST',
				headers: { 'content-type': 'image/png' },
				body: new Uint8Array(png)
			});
			return ((await response.json()) as { id: string }).id;
		};
		const there = async (id: string) =>
			(await fetch(`${served.origin}/api/venues/${venue!.id}/pictures/${id}`)).status === 200;
		const shown = await put();
		const { name, plan, version } = venue!;
		const underlay = { pictureId: shown, widthPx: 10, heightPx: 10, mPerPx: 0.1, atM: [0, 0], turnRad: 0 };
		const saved = await ask('PUT', `/api/venues/${venue!.id}`, { name, plan: { ...plan, underlay }, version });
		expect(saved.status).toBe(200);
		const later: string[] = [];
		for (let k = 0; k < 8; k += 1) later.push(await put());
		expect(await there(shown)).toBe(true);
		expect(await Promise.all(later.map(there))).toEqual([false, false, ...Array<boolean>(6).fill(true)]);
	});
});

describe('what cannot be read', () => {
	it('closes no list: it is named, with what to do, and nothing is worked out from the rest of a build', async () => {
		const parts = (await ask('GET', '/api/parts')).body as Part[];
		const payloads = (await ask('GET', '/api/payloads')).body as Payload[];
		const payload = payloads.find(({ placements }) => placements.length > 1)!;
		const part = parts.find(({ id }) => id === payload.placements[0]!.partId)!;
		const [venue] = (await ask('GET', '/api/venues')).body as Venue[];
		const gimbals = (await ask('GET', '/api/supports/gimbal')).body as { id: string; name: string }[];
		await sql`update parts set shape = '{"shape": 99}' where id = ${part.id}`;
		await sql`update venues set plan = '{"shape": 1, "ceilingM": "high"}' where id = ${venue!.id}`;
		await sql`update balances set record = '{}' where id in (select id from balances where kind = 'gimbal' limit 2)`;

		const shelf = await page('/shelf');
		expect(shelf.status).toBe(200);
		expect(shelf.text).toContain('cannot be read');
		expect(shelf.text).toContain(part.name);
		expect(shelf.text).toMatch(/newer Poise/);
		expect(((await ask('GET', '/api/parts')).body as Part[]).length).toBe(parts.length - 1);
		const venues = await page('/venues');
		expect([venues.status, venues.text.includes(venue!.name)]).toEqual([200, true]);
		for (const path of ['/learn', '/logbook', '/moves?all', '/payload', '/balance?choose', '/live', '/heads'])
			expect((await page(path)).status, path).toBe(200);

		const bench = await page(`/balance/gimbal/${gimbals[0]!.id}/${payload.id}`);
		expect(bench.status).toBe(422);
		expect(bench.text).toMatch(/cannot be read, so nothing is worked out/);
		const logged = await ask('POST', '/api/balances', {
			...{ id: randomUUID(), payloadId: payload.id, supportId: gimbals[0]!.id, payloadVersion: payload.version },
			...{ note: '', state: {} }
		});
		expect(logged.status).toBe(422);
		// What a page can do without closes it neither: how it stood last, a checklist, somebody's thumb.
		const other = payloads.find(
			({ id, placements }) =>
				id !== payload.id && placements.length > 0 && !placements.some(({ partId }) => partId === part.id)
		)!;
		const path = `/balance/gimbal/${gimbals[0]!.id}/${other.id}`;
		expect((await page(path)).status).toBe(200);
		await sql`update benches set state = '{"shape": 1}' where payload_id = ${other.id}`;
		await sql`update papers set content = '[]' where payload_id = ${other.id}`;
		await sql`update people set thumb = '{"shape": 7}'`;
		const still = await page(path);
		expect(still.status).toBe(200);
		// Whoever wants it gone can have it gone.
		await ask('DELETE', `/api/payloads/${payload.id}`);
	});
});
