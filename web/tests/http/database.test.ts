import postgres from 'postgres';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { send, serve, type Served } from '../application';

/* What the database is asked, how it finds it, and what it forgets. */

let served: Served;
let sql: postgres.Sql;
beforeAll(async () => {
	served = await serve();
	sql = postgres(served.databaseUrl, { max: 2 });
});
afterAll(async () => {
	await sql.end();
	await served.stop();
});
const get = async <T>(path: string) => (await send(served.origin, 'GET', path)).body as T;
type Named = { readonly id: string; readonly name: string };

describe('the database', () => {
	it('finds by an index whatever goes, or is let go, with a row', async () => {
		const rows = await sql`
			select conrelid::regclass::text as "table", attname as "column"
			from pg_constraint join pg_attribute on attrelid = conrelid and attnum = any (conkey) and attname <> 'crew_id'
			where contype = 'f' and confdeltype in ('c', 'n', 'd') and connamespace = 'public'::regnamespace
				and not exists (
					select from pg_index where indrelid = conrelid and indpred is null
						and ((indkey::int2[])[0] = attnum or (indkey::int2[])[0:1] @> conkey::int2[]))`;
		expect([...rows]).toEqual([]);
	});
	it('knows that no balance weighs less than nothing, or more than can be', async () => {
		const [found] = await sql`select convalidated as valid from pg_constraint where conname = 'balances_mass_positive'`;
		expect(found?.valid).toBe(true);
	});
	it('forgets the history of what is deleted, and of nothing else', async () => {
		const [first, second] = await get<Named[]>('/api/payloads');
		const shelf = await get<{ id: string; shape: unknown }[]>('/api/parts');
		for (const { id } of [first!, second!]) {
			const it = await get<{ name: string; platePartId: string; placements: unknown; version: number }>(
				`/api/payloads/${id}`
			);
			expect((await send(served.origin, 'PUT', `/api/payloads/${id}`, wanted(it))).status).toBe(200);
		}
		const stand = async (id: string) =>
			(await sql`select document from edits where position(${id} in document) > 0`).map(
				({ document }) => document as string
			);
		expect(shelf.length).toBeGreaterThan(0);
		expect(await stand(first!.id)).toContain(`payload/${first!.id}`);
		const others = await stand(second!.id);
		expect((await send(served.origin, 'DELETE', `/api/payloads/${first!.id}`)).status).toBe(200);
		expect(await stand(first!.id)).toEqual([]);
		expect(await stand(second!.id)).toEqual(others);
		expect(others.length).toBeGreaterThan(0);
	});
});

const wanted = ({
	name,
	platePartId,
	placements,
	version
}: {
	readonly name: string;
	readonly platePartId: string;
	readonly placements: unknown;
	readonly version: number;
}) => ({ name: `${name}, again`, platePartId, placements, version });

/** So many questions of one page with its day line, however much the crew owns. */
const mostQueries = 16;
describe('a page', () => {
	it(`asks the database at most ${mostQueries} times`, async () => {
		const [payload] = await get<Named[]>('/api/payloads');
		const kinds = ['gimbal', 'sled', 'crane', 'slider'];
		const supports = await Promise.all(kinds.map(async (kind) => (await get<Named[]>(`/api/supports/${kind}`))[0]!.id));
		await send(served.origin, 'PATCH', '/api/me', { payloadId: payload!.id, supportId: supports[0] });
		const [move] = await get<Named[]>('/api/moves');
		const [line] = await get<Named[]>('/api/balances');
		const paths = [
			...['/', '/shelf', '/payload', '/balance', '/logbook', '/moves', '/venues', '/heads', '/live', '/learn'],
			...['', '/measure', '/power', '/checklist', '/swap'].map((sheet) => `/payload/${payload!.id}${sheet}`),
			...supports.map((id, k) => `/balance/${kinds[k]}/${id}/${payload!.id}`),
			...['', '/modes', '/scale', '/recipes'].map((sheet) => `/feel/${supports[0]}/${payload!.id}${sheet}`),
			...['', '/rail', '/tables', '/backwards'].map((sheet) => `/moves/${move!.id}${sheet}`),
			`/logbook/${line!.id}`
		];
		const asked: [string, number][] = [];
		for (const path of paths) {
			const response = await fetch(served.origin + path);
			await response.text();
			expect(response.status, path).toBe(200);
			// A way that only leads on to one that was seen already.
			if (response.headers.get('server-timing') === 'kept') continue;
			const said = /queries;desc="(\d+)"/.exec(response.headers.get('server-timing') ?? '')?.[1];
			asked.push([path, Number(said ?? NaN)]);
		}
		expect(asked.filter(([, count]) => !(count > 0))).toEqual([]);
		expect(asked.length).toBeGreaterThan(20);
		expect(asked.filter(([, count]) => count > mostQueries)).toEqual([]);
	});
});
