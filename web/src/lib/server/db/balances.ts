import { and, desc, eq, gte, ilike, lt, or, sql } from 'drizzle-orm';
import type { BalanceRecord, CraneRecord, LoggedBalance, SledRecord } from '$lib/model/balance';
import type { CraneRecordDetail } from '$lib/model/crane';
import type { SledRecordDetail } from '$lib/model/sled';
import { readSearch } from '../readSearch';
import { Refusal } from '../refusal';
import { validated } from '../api';
import { balanceDetail, type BalanceDetail } from '../schemas/record';
import { craneRecordDetail } from '../schemas/crane';
import { sledRecordDetail } from '../schemas/sled';
import { database } from './client';
import { balances, people } from './schema';

const lineColumns = {
	id: balances.id,
	payloadId: balances.payloadId,
	rigId: balances.rigId,
	kind: balances.kind,
	sledId: balances.sledId,
	craneId: balances.craneId,
	payloadName: balances.payloadName,
	rigName: balances.rigName,
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
	{ payloadName, rigName, note }: Pick<LoggedBalance, 'payloadName' | 'rigName' | 'note'>,
	{ snapshot }: { readonly snapshot: { readonly parts: readonly { readonly name: string }[] } }
): string => [payloadName, rigName, note, ...snapshot.parts.map(({ name }) => name)].join(' ');

/** The newest first; every word of the search, and every date in it, must stand somewhere in the line. */
export async function listBalances(crewId: string, search: string, most = 200): Promise<LoggedBalance[]> {
	const { spans, words } = readSearch(search, new Date());
	const matches = [
		...spans.map(({ from, to, words: asWords }) =>
			or(
				and(gte(balances.loggedAt, from.toISOString()), lt(balances.loggedAt, to.toISOString())),
				// "May" may be a name too, and a note may say Sunday.
				...asWords.map((word) => holdsWord(word))
			)
		),
		...words.map((word) => holdsWord(word))
	];
	const rows = await database()
		.select(lineColumns)
		.from(balances)
		.innerJoin(people, eq(people.id, balances.personId))
		.where(and(eq(balances.crewId, crewId), ...matches))
		.orderBy(desc(balances.loggedAt), desc(balances.id))
		.limit(most);
	return rows.map(line);
}

/** A hyphen finds every kind of dash, as in 24–70. */
function holdsWord(word: string) {
	const pattern = `%${word.replace(/[\\%_]/g, '\\$&').replace(/[-‐-―−]/g, '_')}%`;
	return or(ilike(balances.words, pattern), ilike(people.name, pattern));
}

export async function findBalance(crewId: string, id: string): Promise<BalanceRecord> {
	const [row] = await database()
		.select({ ...lineColumns, record: balances.record })
		.from(balances)
		.innerJoin(people, eq(people.id, balances.personId))
		.where(and(eq(balances.crewId, crewId), eq(balances.id, id), eq(balances.kind, 'gimbal')));
	if (row === undefined) throw new Refusal('notFound', 'That balance is not in the logbook.');
	const { record, ...rest } = row;
	return { ...line(rest), ...validated<BalanceDetail>(record, balanceDetail) };
}

/** What a line is about, so that it can be opened as that. */
export async function kindOfBalance(crewId: string, id: string): Promise<LoggedBalance['kind']> {
	const [row] = await database()
		.select({ kind: balances.kind })
		.from(balances)
		.where(and(eq(balances.crewId, crewId), eq(balances.id, id)));
	if (row === undefined) throw new Refusal('notFound', 'That balance is not in the logbook.');
	return row.kind;
}

export async function findSledBalance(crewId: string, id: string): Promise<SledRecord> {
	const [row] = await database()
		.select({ ...lineColumns, record: balances.record })
		.from(balances)
		.innerJoin(people, eq(people.id, balances.personId))
		.where(and(eq(balances.crewId, crewId), eq(balances.id, id), eq(balances.kind, 'sled')));
	if (row === undefined) throw new Refusal('notFound', 'That balance is not in the logbook.');
	const { record, ...rest } = row;
	return { ...line(rest), ...validated<SledRecordDetail>(record, sledRecordDetail) };
}

/** The newest record of one payload on one sled. */
export async function latestSledBalance(
	crewId: string,
	sledId: string,
	payloadId: string
): Promise<SledRecordDetail | null> {
	const [row] = await database()
		.select({ record: balances.record })
		.from(balances)
		.where(
			and(
				eq(balances.crewId, crewId),
				eq(balances.sledId, sledId),
				eq(balances.payloadId, payloadId),
				eq(balances.struck, false)
			)
		)
		.orderBy(desc(balances.loggedAt), desc(balances.id))
		.limit(1);
	return row === undefined ? null : validated<SledRecordDetail>(row.record, sledRecordDetail);
}

/** Records of one sled opened, newest first: for swaps and comparisons. */
export async function sledBalancesOf(crewId: string, sledId: string, most = 40): Promise<SledRecord[]> {
	const rows = await database()
		.select({ ...lineColumns, record: balances.record })
		.from(balances)
		.innerJoin(people, eq(people.id, balances.personId))
		.where(and(eq(balances.crewId, crewId), eq(balances.sledId, sledId)))
		.orderBy(desc(balances.loggedAt), desc(balances.id))
		.limit(most);
	return rows.map(({ record, ...rest }) => ({
		...line(rest),
		...validated<SledRecordDetail>(record, sledRecordDetail)
	}));
}

/** Logs once per id, as {@link createBalance} does. */
export async function createSledBalance(
	crewId: string,
	personId: string,
	entry: Omit<LoggedBalance, 'personName' | 'loggedAt' | 'struck' | 'kind' | 'rigId' | 'craneId'> & {
		readonly loggedAt?: string;
	},
	record: SledRecordDetail
): Promise<SledRecord> {
	const { loggedAt, ...fields } = entry;
	await database()
		.insert(balances)
		.values({
			crewId,
			personId,
			kind: 'sled',
			...fields,
			record,
			words: wordsOf(fields, record),
			loggedAt: loggedAt ?? sql`now()`
		})
		.onConflictDoNothing();
	return findSledBalance(crewId, entry.id);
}

export async function findCraneBalance(crewId: string, id: string): Promise<CraneRecord> {
	const [row] = await database()
		.select({ ...lineColumns, record: balances.record })
		.from(balances)
		.innerJoin(people, eq(people.id, balances.personId))
		.where(and(eq(balances.crewId, crewId), eq(balances.id, id), eq(balances.kind, 'crane')));
	if (row === undefined) throw new Refusal('notFound', 'That balance is not in the logbook.');
	const { record, ...rest } = row;
	return { ...line(rest), ...validated<CraneRecordDetail>(record, craneRecordDetail) };
}

/** Logs once per id, as {@link createBalance} does. */
export async function createCraneBalance(
	crewId: string,
	personId: string,
	entry: Omit<LoggedBalance, 'personName' | 'loggedAt' | 'struck' | 'kind' | 'rigId' | 'sledId'> & {
		readonly loggedAt?: string;
	},
	record: CraneRecordDetail
): Promise<CraneRecord> {
	const { loggedAt, ...fields } = entry;
	await database()
		.insert(balances)
		.values({
			crewId,
			personId,
			kind: 'crane',
			...fields,
			record,
			words: wordsOf(fields, record),
			loggedAt: loggedAt ?? sql`now()`
		})
		.onConflictDoNothing();
	return findCraneBalance(crewId, entry.id);
}

/** The newest record of one payload on one crane. */
export async function latestCraneBalance(
	crewId: string,
	craneId: string,
	payloadId: string
): Promise<CraneRecordDetail | null> {
	const [row] = await database()
		.select({ record: balances.record })
		.from(balances)
		.where(
			and(
				eq(balances.crewId, crewId),
				eq(balances.craneId, craneId),
				eq(balances.payloadId, payloadId),
				eq(balances.struck, false)
			)
		)
		.orderBy(desc(balances.loggedAt), desc(balances.id))
		.limit(1);
	return row === undefined ? null : validated<CraneRecordDetail>(row.record, craneRecordDetail);
}

/** The newest record of one payload on one rig. */
export async function latestBalance(crewId: string, rigId: string, payloadId: string): Promise<BalanceDetail | null> {
	const [row] = await database()
		.select({ record: balances.record })
		.from(balances)
		.where(
			and(
				eq(balances.crewId, crewId),
				eq(balances.rigId, rigId),
				eq(balances.payloadId, payloadId),
				eq(balances.struck, false)
			)
		)
		.orderBy(desc(balances.loggedAt), desc(balances.id))
		.limit(1);
	return row === undefined ? null : validated<BalanceDetail>(row.record, balanceDetail);
}

/** Logs once per id: sending the same one again, after an answer was lost, changes nothing. */
export async function createBalance(
	crewId: string,
	personId: string,
	entry: Omit<LoggedBalance, 'personName' | 'loggedAt' | 'struck' | 'kind' | 'sledId' | 'craneId'> & {
		readonly loggedAt?: string;
	},
	record: BalanceDetail
): Promise<BalanceRecord> {
	const { loggedAt, ...fields } = entry;
	await database()
		.insert(balances)
		.values({ crewId, personId, ...fields, record, words: wordsOf(fields, record), loggedAt: loggedAt ?? sql`now()` })
		.onConflictDoNothing();
	return findBalance(crewId, entry.id);
}

/** Records opened, newest first: of one payload, or of anything that holds a part. */
export async function balancesWith(
	crewId: string,
	wanted: { readonly payloadId: string } | { readonly partId: string } | 'all',
	most = 40
): Promise<BalanceRecord[]> {
	const holds =
		wanted === 'all'
			? []
			: 'payloadId' in wanted
				? [eq(balances.payloadId, wanted.payloadId)]
				: [sql`${balances.record} @> ${JSON.stringify({ snapshot: { parts: [{ id: wanted.partId }] } })}::jsonb`];
	const rows = await database()
		.select({ ...lineColumns, record: balances.record })
		.from(balances)
		.innerJoin(people, eq(people.id, balances.personId))
		.where(and(eq(balances.crewId, crewId), eq(balances.kind, 'gimbal'), eq(balances.struck, false), ...holds))
		.orderBy(desc(balances.loggedAt), desc(balances.id))
		.limit(most);
	return rows.map(({ record, ...rest }) => ({ ...line(rest), ...validated<BalanceDetail>(record, balanceDetail) }));
}
