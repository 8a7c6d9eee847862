import { describe, expect, it } from 'vitest';
import { and, asc, eq, inArray, or } from 'drizzle-orm';
import { drizzle } from 'drizzle-orm/node-postgres';
import { parts, payloads, placements } from './schema';
import { writtenIn } from './changes';
import { noteQuery, notePassing, noting, ReadSet } from '../kept/readSet';

const queries = drizzle.mock();
const [crew, mine, other] = ['c0000000-0000-4000-8000-000000000001', 'a-mine', 'b-other'];

/** What is noted when this is asked. */
function asked(...asks: { toSQL(): { sql: string; params: unknown[] } }[]): ReadSet {
	const set = new ReadSet();
	noting(set, () => asks.forEach((ask) => noteQuery(ask.toSQL().sql, ask.toSQL().params)));
	return set;
}
const one = queries
	.select()
	.from(payloads)
	.where(and(eq(payloads.crewId, crew), eq(payloads.id, mine)));

describe('what an answer was made from', () => {
	it('is the one row that was asked for, and no other', () => {
		const set = asked(one);
		expect(set.has(writtenIn(`payloads ~name crew_id=${crew} id=${mine}`))).toBe(true);
		expect(set.has(writtenIn(`payloads ~name crew_id=${crew} id=${other}`))).toBe(false);
		expect(set.has(writtenIn(`payloads crew_id=another id=${mine}`))).toBe(false);
		expect(set.has(writtenIn(`parts crew_id=${crew} id=${mine}`))).toBe(false);
	});
	it('is among many where a message does not say which row, or only which table', () => {
		expect(asked(one).has(writtenIn(`payloads crew_id=${crew}`))).toBe(true);
		expect(asked(one).has(writtenIn('payloads'))).toBe(true);
		expect(asked(one).has(writtenIn('parts'))).toBe(false);
	});
	it('is several rows where several are asked for, each by its own value', () => {
		const set = asked(
			queries
				.select()
				.from(parts)
				.where(and(eq(parts.crewId, crew), inArray(parts.id, ['p1', 'p2', 'p3'])))
				.orderBy(asc(parts.name))
		);
		for (const id of ['p1', 'p2', 'p3'])
			expect(set.has(writtenIn(`parts ~mass_kg crew_id=${crew} id=${id}`)), id).toBe(true);
		expect(set.has(writtenIn(`parts ~mass_kg crew_id=${crew} id=p4`))).toBe(false);
	});
	it('is every row of a table that is joined without a value of its own', () => {
		const set = asked(
			queries
				.select({ name: parts.name })
				.from(placements)
				.innerJoin(parts, eq(parts.id, placements.partId))
				.where(eq(placements.payloadId, mine))
		);
		expect(set.has(writtenIn('parts ~name id=whichever'))).toBe(true);
		expect(set.has(writtenIn(`placements payload_id=${other}`))).toBe(false);
		expect(set.has(writtenIn(`placements payload_id=${mine}`))).toBe(true);
	});
	it('counts a column that was neither read nor asked by only where the row is new or gone', () => {
		const names = asked(
			queries
				.select({ id: payloads.id, name: payloads.name })
				.from(payloads)
				.where(eq(payloads.crewId, crew))
				.orderBy(asc(payloads.name))
		);
		expect(names.has(writtenIn(`payloads ~updated_at,version crew_id=${crew} id=${other}`))).toBe(false);
		expect(names.has(writtenIn(`payloads ~name,version crew_id=${crew} id=${other}`))).toBe(true);
		expect(names.has(writtenIn(`payloads crew_id=${crew} id=${other}`))).toBe(true);
	});
	it('counts a column that it was only ordered by', () => {
		const recent = asked(
			queries.select({ id: payloads.id }).from(payloads).where(eq(payloads.crewId, crew)).orderBy(payloads.updatedAt)
		);
		expect(recent.has(writtenIn(`payloads ~updated_at crew_id=${crew} id=${other}`))).toBe(true);
		expect(recent.has(writtenIn(`payloads ~name crew_id=${crew} id=${other}`))).toBe(false);
	});
	it.each([
		[
			'either of two',
			queries
				.select()
				.from(payloads)
				.where(or(eq(payloads.id, mine), eq(payloads.name, 'x')))
		],
		[
			'one within another',
			queries
				.select()
				.from(payloads)
				.where(
					inArray(
						payloads.id,
						queries.select({ id: placements.payloadId }).from(placements).where(eq(placements.payloadId, mine))
					)
				)
		]
	])('takes every row where the question is not plain: %s', (_, ask) => {
		expect(asked(ask).has(writtenIn(`payloads ~name crew_id=${crew} id=${other}`))).toBe(true);
	});
	it.each([
		'select * from payloads where not ("payloads"."id" = $1)',
		'select ("payloads"."id" = $1) as mine from "payloads"',
		'select "name" from "payloads" order by ("payloads"."id" = $1)',
		'select "name" from "payloads" where "payloads"."id" <> $1',
		'select case when "payloads"."id" = $1 then 1 end from payloads',
		'with it as (select 1) select "name" from "payloads" where "payloads"."id" = $1',
		'select "name" from "payloads" where coalesce("payloads"."id" = $1, true)'
	])('takes every row of %s', (query) => {
		const set = new ReadSet();
		noting(set, () => noteQuery(query, [mine]));
		expect(set.has(writtenIn(`payloads crew_id=${crew} id=${other}`))).toBe(true);
	});
	it('goes into what it is part of, at once or when it was kept', () => {
		const whole = new ReadSet();
		noting(new ReadSet(whole), () => noteQuery(one.toSQL().sql, one.toSQL().params));
		expect(whole.has(writtenIn(`payloads ~name id=${mine}`))).toBe(true);
		const later = new ReadSet();
		later.take(whole);
		expect(later.has(writtenIn(`payloads ~name id=${mine}`))).toBe(true);
		expect([...later.tables]).toEqual(['payloads']);
	});
	it('is noted of nobody where nothing is being made, and says what passes with the hour', () => {
		expect(() => noteQuery(one.toSQL().sql, [])).not.toThrow();
		notePassing();
		const set = new ReadSet();
		noting(set, notePassing);
		expect(set.passing).toBe(true);
	});
});

describe('what a trigger says', () => {
	it('reads the columns of a change, values with an equals sign in them, and empty ones', () => {
		const { table, changed, ids } = writtenIn('payloads ~name,version crew_id=1 family_id= id=a=b');
		expect(table).toBe('payloads');
		expect([...changed!]).toEqual(['name', 'version']);
		expect([...ids]).toEqual([
			['crew_id', '1'],
			['family_id', ''],
			['id', 'a=b']
		]);
		expect(writtenIn('payloads id=1').changed).toBeNull();
	});
});
