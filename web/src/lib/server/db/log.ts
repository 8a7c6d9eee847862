import { and, desc, eq, type SQL, sql } from 'drizzle-orm';
import type { LoggedBalance, RecordDetail, RecordOf } from '$lib/model/balance';
import { serverKind } from '../kinds';
import { Refusal } from '../refusal';
import { fromStore, toStore } from '../stored';
import { readable } from '../unreadable';
import { database } from './client';
import { type BookPlace, microsOf, olderThan } from './bookPlace';
import { balances, people } from './schema';
import { searched } from './searched';

const lineColumns = {
	id: balances.id,
	kind: balances.kind,
	payloadId: balances.payloadId,
	supportId: balances.supportId,
	payloadName: balances.payloadName,
	supportName: balances.supportName,
	payloadMassKg: balances.payloadMassKg,
	placed: balances.placed,
	poised: balances.poised,
	struck: balances.struck,
	note: balances.note,
	personName: people.name,
	loggedAt: balances.loggedAt
};

const line = <Row extends { loggedAt: string }>(row: Row) => ({
	...row,
	loggedAt: new Date(row.loggedAt).toISOString()
});

/** What a search looks through. */
export const wordsOf = (
	{ payloadName, supportName, note }: Pick<LoggedBalance, 'payloadName' | 'supportName' | 'note'>,
	{ snapshot }: Pick<RecordDetail, 'snapshot'>
): string => [payloadName, supportName, note, ...snapshot.parts.map(({ name }) => name)].join(' ');

/** The newest first, older than a place in the book; every word of the search, and every date in it, must stand somewhere in the line. */
export async function listBalances(
	crewId: string,
	search: string,
	{ most = 200, before = null }: { readonly most?: number; readonly before?: BookPlace | null } = {}
): Promise<(LoggedBalance & { readonly place: BookPlace })[]> {
	const matches = searched(search, balances.loggedAt, [balances.words, people.name]);
	const rows = await database()
		.select({ ...lineColumns, micros: microsOf(balances.loggedAt) })
		.from(balances)
		.innerJoin(people, eq(people.id, balances.personId))
		.where(and(eq(balances.crewId, crewId), ...matches, olderThan(before, balances.loggedAt, balances.id)))
		.orderBy(desc(balances.loggedAt), desc(balances.id))
		.limit(most);
	return rows.map(({ micros, ...row }) => ({ ...line(row), place: { micros: Number(micros), id: row.id } }));
}

type Opened = Awaited<ReturnType<typeof open>>[number];
/** Lines opened, the newest first. */
async function open(crewId: string, most: number, ...which: (SQL | undefined)[]) {
	const rows = await database()
		.select({ ...lineColumns, record: balances.record })
		.from(balances)
		.innerJoin(people, eq(people.id, balances.personId))
		.where(and(eq(balances.crewId, crewId), ...which))
		.orderBy(desc(balances.loggedAt), desc(balances.id))
		.limit(most);
	return rows;
}
const recordOf = <Detail extends RecordDetail>({ record, ...rest }: Opened): RecordOf<Detail> => ({
	...line(rest),
	...fromStore<Detail>(serverKind(rest.kind).detail, record)
});

/** One line opened, read as its kind says. */
export async function findBalance<Detail extends RecordDetail = RecordDetail>(
	crewId: string,
	id: string
): Promise<RecordOf<Detail>> {
	const [record] = await open(crewId, 1, eq(balances.id, id));
	if (record === undefined) throw new Refusal('notFound', 'That balance is not in the logbook.');
	return recordOf<Detail>(record);
}

/** The newest record of one payload on one support that was not struck out. */
export async function latestBalance<Detail extends RecordDetail = RecordDetail>(
	crewId: string,
	supportId: string,
	payloadId: string
): Promise<RecordOf<Detail> | null> {
	const [record] = await open(
		crewId,
		1,
		eq(balances.supportId, supportId),
		eq(balances.payloadId, payloadId),
		eq(balances.struck, false)
	);
	return record === undefined ? null : recordOf<Detail>(record);
}

/** Records of one kind opened, newest first: all, of one payload, or of anything that holds a part. Struck ones are left out. */
export const balancesWith = async <Detail extends RecordDetail>(
	crewId: string,
	kind: string,
	wanted: { readonly payloadId: string } | { readonly partId: string } | 'all',
	most = 40
): Promise<RecordOf<Detail>[]> => {
	const rows = await open(
		crewId,
		most,
		eq(balances.kind, kind),
		eq(balances.struck, false),
		wanted === 'all'
			? undefined
			: 'payloadId' in wanted
				? eq(balances.payloadId, wanted.payloadId)
				: sql`${balances.record} @> ${JSON.stringify({ snapshot: { parts: [{ id: wanted.partId }] } })}::jsonb`
	);
	return readable(
		'balance',
		rows.map((row) => ({ ...row, name: `${row.payloadName} on ${row.supportName}` })),
		({ name: _, ...row }) => recordOf<Detail>(row)
	);
};

/** Logs once per id: sending the same one again, after an answer was lost, changes nothing. */
export async function createBalance(
	crewId: string,
	personId: string,
	{ loggedAt, ...entry }: Omit<LoggedBalance, 'personName' | 'loggedAt' | 'struck'> & { readonly loggedAt?: string },
	record: RecordDetail
): Promise<RecordOf<RecordDetail>> {
	const as = serverKind(entry.kind).detail;
	const stored = toStore(as, record);
	// What cannot be read again must not be written.
	fromStore(as, stored);
	await database()
		.insert(balances)
		.values({
			crewId,
			personId,
			...entry,
			record: stored,
			words: wordsOf(entry, record),
			loggedAt: loggedAt ?? sql`now()`
		})
		.onConflictDoNothing();
	return findBalance(crewId, entry.id);
}
