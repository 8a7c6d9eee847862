import { randomUUID } from 'node:crypto';
import postgres from 'postgres';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { tableNames } from '../../src/lib/server/db/tableNames';
import { send, serve, type Served } from '../application';

let served: Served;
let sql: postgres.Sql;
let path: string;
let payload: { id: string; name: string; platePartId: string; placements: unknown[]; version: number };

beforeAll(async () => {
	served = await serve();
	sql = postgres(served.databaseUrl, { max: 2 });
	payload = (await send(served.origin, 'GET', '/api/payloads')).body[0];
	path = `/payload/${payload.id}`;
});
afterAll(async () => {
	await sql.end();
	await served.stop();
});

async function page(origin = served.origin, headers: Record<string, string> = {}) {
	const response = await fetch(origin + path, { headers });
	return {
		...{ status: response.status, html: await response.text(), etag: response.headers.get('etag') ?? '' },
		isKept: response.headers.get('server-timing') === 'kept'
	};
}
const rename = (name: string) => sql`update payloads set name = ${name} where id = ${payload.id}`;
/** What another process wrote is heard a moment later. */
async function soon(name: string, origin = served.origin) {
	const until = Date.now() + 3000;
	while (Date.now() < until) {
		if ((await page(origin)).html.includes(name)) return;
		await new Promise((resolve) => setTimeout(resolve, 10));
	}
	throw new Error(`${name} is not on the page`);
}
const isKeptSoon = async () => {
	for (let tries = 0; tries < 100; tries += 1) {
		if ((await page()).isKept) return true;
		await new Promise((resolve) => setTimeout(resolve, 50));
	}
	return false;
};

describe('pages that are given again', () => {
	it('hears of every table there is, whatever is done to its rows', async () => {
		for (const trigger of ['revised_new', 'revised_other', 'revised_gone']) {
			const rows =
				await sql`select tgrelid::regclass::text as name from pg_trigger where tgname = ${trigger} and tgenabled <> 'D'`;
			expect(rows.map(({ name }) => name).sort(), trigger).toEqual([...tableNames].sort());
		}
	});
	it('hears one word a crew and transaction, of that crew alone', async () => {
		const heard: string[] = [];
		const { unlisten } = await sql.listen('poise_revisions', (crew) => void heard.push(crew));
		const other = randomUUID();
		const crewId = (await sql`select crew_id from payloads where id = ${payload.id}`)[0]!.crew_id as string;
		await sql.begin(async (within) => {
			await within`update payloads set name = name where crew_id = ${crewId}`;
			await within`update parts set name = name where crew_id = ${crewId}`;
			await within`insert into crews (id, name) values (${other}, 'Quay')`;
			await within`insert into people (id, crew_id, name) values (${randomUUID()}, ${other}, 'Ada')`;
		});
		await sql`delete from people where crew_id = ${other}`;
		await sql`delete from crews where id = ${other}`;
		// Nobody's row was written.
		await sql`update payloads set name = name where id = ${randomUUID()}`;
		await rename(payload.name);
		for (let tries = 0; tries < 100 && heard.length < 5; tries += 1)
			await new Promise((resolve) => setTimeout(resolve, 20));
		await unlisten();
		expect([...heard.slice(0, 2)].sort()).toEqual([crewId, other].sort());
		expect(heard.slice(2)).toEqual([other, other, crewId]);
	});
	it('are the same page, and not sent to whoever has it', async () => {
		const first = await page();
		expect(await isKeptSoon()).toBe(true);
		const second = await page();
		expect(second.html).toBe(first.html);
		expect(second.html).toContain(payload.name);
		expect((await page(served.origin, { 'if-none-match': second.etag })).status).toBe(304);
		expect((await page(served.origin, { 'if-none-match': '"another"' })).status).toBe(200);
	});
	it('show a save to whoever saved it, at once, while twenty others read', async () => {
		let done = false;
		const readers = Array.from({ length: 20 }, async () => {
			while (!done) await page();
		});
		for (let n = 0; n < 40; n += 1) {
			const { platePartId, placements } = payload;
			const body = { name: `Save ${n} of 40`, platePartId, placements, version: payload.version };
			const answer = await send(served.origin, 'PUT', `/api/payloads/${payload.id}`, body);
			expect(answer.status).toBe(200);
			payload = answer.body;
			expect((await page()).html).toContain(body.name);
		}
		done = true;
		await Promise.all(readers);
	});
	it('show what was written past the application, and what another process of it wrote', async () => {
		await isKeptSoon();
		await rename('Written in the database');
		await soon('Written in the database');
		const other = await served.another();
		try {
			await page(other.origin);
			const { platePartId, placements, version } = (await send(other.origin, 'GET', `/api/payloads/${payload.id}`))
				.body;
			const body = { name: 'Saved next door', platePartId, placements, version };
			expect((await send(served.origin, 'PUT', `/api/payloads/${payload.id}`, body)).status).toBe(200);
			expect((await page()).html).toContain(body.name);
			await soon(body.name, other.origin);
		} finally {
			await other.stop();
		}
	});
	it('stay right when the line to the database is cut, and are kept again after', async () => {
		for (const name of ['Cut once', 'Cut twice', 'Cut three times']) {
			expect(await isKeptSoon()).toBe(true);
			const [{ count } = { count: 0 }] = await sql`
				select count(pg_terminate_backend(pid))::int as count from pg_stat_activity
				where datname = current_database() and pid <> pg_backend_pid() and query ilike any (array['listen poise_revisions%', 'select 1'])`;
			expect(count).toBeGreaterThan(0);
			await rename(name);
			await soon(name);
		}
		expect(await isKeptSoon()).toBe(true);
	});
	it('are each person’s own', async () => {
		const people = (await sql`select id, theme from people order by name`) as unknown as { id: string }[];
		await sql`update people set theme = 'blackout' where id = ${people[0]!.id}`;
		await sql`update people set theme = 'house' where id = ${people[1]!.id}`;
		const seen = async (id: string) =>
			/data-theme="(\w+)"/.exec((await page(served.origin, { cookie: `person=${id}` })).html)?.[1];
		for (let round = 0; round < 3; round += 1) {
			expect(await seen(people[0]!.id)).toBe('blackout');
			expect(await seen(people[1]!.id)).toBe('house');
		}
		const cookie = `person=${people[1]!.id}`;
		expect((await send(served.origin, 'PATCH', '/api/me', { theme: 'day' }, { cookie })).status).toBe(200);
		expect(await seen(people[1]!.id)).toBe('day');
		expect(await seen(people[0]!.id)).toBe('blackout');
	});
	it('are gone when what they show is', async () => {
		expect(await isKeptSoon()).toBe(true);
		await sql`delete from payloads where id = ${payload.id}`;
		const until = Date.now() + 3000;
		let status = 200;
		while (status === 200 && Date.now() < until) ({ status } = await page());
		expect(status).toBe(404);
	});
});
