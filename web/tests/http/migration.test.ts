import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { gunzipSync } from 'node:zlib';
import fc from 'fast-check';
import postgres from 'postgres';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { startApplication } from '../../../scripts/application.mjs';
import { freePort } from '../../../scripts/postgres.mjs';
import { send } from '../application';

/** The demo crew as it lay in the database when gimbals, sleds and cranes had tables of their own. */
const before = gunzipSync(
	readFileSync(fileURLToPath(new URL('../fixtures/before-supports.sql.gz', import.meta.url)))
).toString();
const migration = readFileSync(fileURLToPath(new URL('../../drizzle/0007_supports.sql', import.meta.url)), 'utf8');

type Row = Record<string, unknown>;
let databaseUrl: string;
let sql: postgres.Sql;

/** A database of the old shape, filled with the old demo. */
async function oldDatabase(): Promise<string> {
	const cluster = process.env.POISE_TEST_DATABASE as string;
	const name = `old_${randomUUID().replaceAll('-', '')}`;
	const admin = postgres(cluster, { max: 1 });
	await admin.unsafe(`create database ${name}`);
	await admin.end();
	const address = cluster.replace(/[^/]+$/, name);
	// The dump sets its own search path, which a pooled link would keep.
	const loader = postgres(address, { max: 1, onnotice: () => {} });
	await loader.unsafe(before.replace(/^\\.*$/gm, ''));
	await loader.end();
	return address;
}
const rows = (table: string) => sql.unsafe<Row[]>(`select * from public.${table}`);
const sorted = (list: readonly Row[]) => list.map((row) => JSON.stringify(row, Object.keys(row).sort())).sort();

describe('a database of the time before supports', () => {
	beforeAll(async () => {
		databaseUrl = await oldDatabase();
		sql = postgres(databaseUrl, { max: 2 });
	});
	afterAll(() => sql.end());

	it('is brought up to date with every row of the demo, and every page of it opens', async () => {
		const [rigs, sleds, cranes, benches, sledBenches, craneBenches] = await Promise.all(
			['rigs', 'sleds', 'cranes', 'benches', 'sled_benches', 'crane_benches'].map(rows)
		);
		const [worn, entries, horizon, balances, people, gear] = await Promise.all(
			['sled_worn', 'sled_entries', 'horizon_entries', 'balances', 'people', 'gear_changes'].map(rows)
		);
		const application = await startApplication({ databaseUrl, port: await freePort(27_400), quiet: true });
		try {
			const kinds = { gimbal: rigs!, sled: sleds!, crane: cranes! };
			const supports = await rows('supports');
			expect(sorted(supports)).toEqual(
				sorted(Object.entries(kinds).flatMap(([kind, list]) => list.map((row) => ({ ...row, kind }))))
			);
			const moved = (list: readonly Row[], was: string) =>
				list.map(({ [was]: support_id, ...row }) => ({ ...row, support_id }));
			expect(sorted(await rows('benches'))).toEqual(
				sorted([...moved(benches!, 'rig_id'), ...moved(sledBenches!, 'sled_id'), ...moved(craneBenches!, 'crane_id')])
			);
			expect(sorted(await rows('person_setups'))).toEqual(sorted(moved(worn!, 'sled_id')));
			expect((await rows('support_entries')).map(({ id }) => id).sort()).toEqual(
				[...entries!, ...horizon!].map(({ id }) => id).sort()
			);
			expect(await rows('support_entries')).toHaveLength(entries!.length + horizon!.length);
			expect((await rows('gear_changes')).map(({ support_id }) => support_id)).toEqual(
				gear!.map(({ rig_id }) => rig_id)
			);
			const now = new Map((await rows('balances')).map((row) => [row.id, row]));
			for (const row of balances!)
				expect(now.get(row.id)).toMatchObject({
					support_id: row.sled_id ?? row.crane_id ?? row.rig_id,
					support_name: row.rig_name,
					record: row.record,
					note: row.note
				});
			expect(now.size).toBe(balances!.length);
			for (const { id, sled_id, crane_id, rig_id } of people!)
				expect((await rows('at_hand')).find((row) => row.person_id === id)!.support_id).toBe(
					sled_id ?? crane_id ?? rig_id
				);

			// Records of shape 1 are read as they are read today, and every page of the crew opens.
			const get = (path: string) => send(application.origin, 'GET', path);
			for (const { id, kind } of balances!) {
				const record = (await get(`/api/balances/${String(id)}`)).body;
				expect(record.support.name, String(kind)).toBe(record.supportName);
			}
			const many = { gimbal: 'gimbals', sled: 'sleds', crane: 'cranes' };
			const paths = [
				'/payload',
				'/balance',
				'/logbook',
				'/learn',
				...balances!.map(({ id }) => `/logbook/${String(id)}`),
				...Object.entries(kinds).flatMap(([kind, list]) =>
					list.map(({ id }) => `/${many[kind as keyof typeof many]}/${String(id)}`)
				)
			];
			for (const path of paths) {
				const page = await fetch(application.origin + path);
				expect([path, page.status]).toEqual([path, 200]);
			}
			const [horizonOf] = horizon!;
			expect((await get(`/api/supports/gimbal/${String(horizonOf!.rig_id)}/entries`)).body).toHaveLength(
				horizon!.length
			);
		} finally {
			await application.stop();
		}
	});
});

describe('the migration', () => {
	it('loses none of a thousand rows, whatever stands in them, and mixes no crews', async () => {
		const address = await oldDatabase();
		const db = postgres(address, { max: 1, onnotice: () => {} });
		try {
			await db.begin(async (tx) => {
				const [crew] = await tx<{ id: string }[]>`select id from public.crews`;
				const other = randomUUID();
				await tx`insert into public.crews (id, name) values (${other}, 'Another crew')`;
				const stranger = randomUUID();
				await tx`insert into public.people (id, crew_id, name) values (${stranger}, ${other}, 'Somebody')`;
				const [person] = await tx<{ id: string }[]>`select id from public.people where crew_id = ${crew!.id}`;
				const [payload] = await tx<{ id: string }[]>`select id from public.payloads`;
				const json = fc.jsonValue({ maxDepth: 3 }).map((value) => ({ odd: value }));
				const odd = fc.sample(
					fc.record({
						table: fc.constantFrom('rigs', 'sleds', 'cranes'),
						name: fc
							.string({ minLength: 1, maxLength: 60 })
							.filter((text) => text.trim() !== '' && !text.includes('\0')),
						least: fc.double({ min: 0, max: 100, noNaN: true }),
						more: fc.double({ min: 1e-3, max: 100, noNaN: true }),
						geometry: json,
						theirs: fc.boolean(),
						benched: fc.boolean(),
						picked: fc.boolean(),
						note: fc.string({ maxLength: 80 }).map((text) => text.replaceAll('\0', ''))
					}),
					{ numRuns: 1000, seed: 12 }
				);
				const column = { rigs: 'rig_id', sleds: 'sled_id', cranes: 'crane_id' } as const;
				const benchTable = { rigs: 'benches', sleds: 'sled_benches', cranes: 'crane_benches' } as const;
				const clean = (value: object) =>
					JSON.parse(JSON.stringify(value).replaceAll('\\u0000', '')) as postgres.JSONValue;
				const made: { id: string; table: keyof typeof column; crew: string; geometry: unknown; benched: boolean }[] =
					[];
				for (const [index, each] of odd.entries()) {
					const id = randomUUID();
					const of = each.theirs ? other : crew!.id;
					const geometry = clean(each.geometry);
					await tx`insert into ${tx(each.table)} ${tx({
						id,
						crew_id: of,
						name: `${each.name.slice(0, 50)} ${index}`,
						least_payload_kg: each.least,
						greatest_payload_kg: each.least + each.more,
						geometry: tx.json(geometry),
						version: 1 + (index % 9)
					})}`;
					const benched = each.benched && !each.theirs;
					if (benched)
						await tx`insert into ${tx(benchTable[each.table])} ${tx({
							crew_id: of,
							[column[each.table]]: id,
							payload_id: payload!.id,
							state: tx.json(geometry),
							updated_by: each.picked ? randomUUID() : person!.id
						})}`;
					// A balance that points at a support of another crew, as nothing forbade.
					await tx`insert into public.balances ${tx({
						id: randomUUID(),
						crew_id: crew!.id,
						person_id: person!.id,
						kind: { rigs: 'gimbal', sleds: 'sled', cranes: 'crane' }[each.table],
						[column[each.table]]: id,
						payload_name: 'x',
						rig_name: `named ${index}`,
						payload_mass_kg: 1,
						placed: false,
						note: each.note,
						record: tx.json(geometry)
					})}`;
					made.push({ id, table: each.table, crew: of, geometry, benched });
				}
				await tx`update public.people set sled_id = ${made.find(({ table, crew: of }) => table === 'sleds' && of === other)!.id} where id = ${person!.id}`;
				await tx.unsafe('set search_path to public');
				for (const statement of migration.split('--> statement-breakpoint')) await tx.unsafe(statement);

				const supports = await tx<
					{ id: string; kind: string; crew_id: string; geometry: unknown }[]
				>`select * from supports`;
				const byId = new Map(supports.map((row) => [row.id, row]));
				for (const { id, table, crew: of, geometry } of made)
					expect(byId.get(id)).toMatchObject({
						kind: { rigs: 'gimbal', sleds: 'sled', cranes: 'crane' }[table],
						crew_id: of,
						geometry
					});
				const benches = new Set(
					(await tx<{ support_id: string }[]>`select * from benches`).map((row) => row.support_id)
				);
				for (const { id, benched } of made) expect([id, benches.has(id)]).toEqual([id, benched]);
				const lines = await tx<{ support_id: string | null; support_name: string }[]>`
					select * from balances where support_name like 'named %'`;
				expect(lines).toHaveLength(1000);
				for (const { support_id, support_name } of lines) {
					const of = made[Number(support_name.slice(6))]!;
					expect([support_name, support_id]).toEqual([support_name, of.crew === crew!.id ? of.id : null]);
				}
				const [me] = await tx<{ support_id: string | null }[]>`select support_id from people where id = ${person!.id}`;
				expect(me!.support_id).toBeNull();
				// From here on the database itself refuses what points into another crew.
				const strange = made.find(({ crew: of }) => of === other)!.id;
				await expect(
					tx.savepoint((point) => point`update people set support_id = ${strange} where id = ${person!.id}`)
				).rejects.toThrow(/people_support_of_crew/);
				// A support that goes leaves its lines in the logbook, of the same crew, pointing nowhere.
				const gone = made.find(({ crew: of }) => of === crew!.id)!;
				await tx`delete from supports where id = ${gone.id}`;
				const [line] = await tx<{ crew_id: string; support_id: string | null }[]>`
					select * from balances where support_name = ${`named ${made.indexOf(gone)}`}`;
				expect([line!.crew_id, line!.support_id]).toEqual([crew!.id, null]);
			});
		} finally {
			await db.end();
		}
	});
});
