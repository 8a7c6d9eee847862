import { asc, and, eq } from 'drizzle-orm';
import { v7 as newId } from 'uuid';
import type { BalanceChange, RecordDetail } from '$lib/model/balance';
import { serverKind } from '../kinds';
import { Refusal } from '../refusal';
import { stoodBefore, type WantedCorrection } from '../schemas/record';
import { fromStore, type StoredAs, toStore } from '../stored';
import { wordsOf } from './log';
import { database, inTransaction } from './client';
import { balanceChanges, balances, people } from './schema';

const beforeAs: StoredAs<BalanceChange['before']> = { schema: stoodBefore };

export async function listBalanceChanges(crewId: string, balanceId: string): Promise<BalanceChange[]> {
	const rows = await database()
		.select({
			id: balanceChanges.id,
			kind: balanceChanges.kind,
			why: balanceChanges.why,
			before: balanceChanges.before,
			at: balanceChanges.at,
			personName: people.name
		})
		.from(balanceChanges)
		.innerJoin(people, eq(people.id, balanceChanges.personId))
		.where(and(eq(balanceChanges.crewId, crewId), eq(balanceChanges.balanceId, balanceId)))
		.orderBy(asc(balanceChanges.at), asc(balanceChanges.id))
		.limit(200);
	return rows.map(({ at, before, ...rest }) => ({
		...rest,
		at: new Date(at).toISOString(),
		before: fromStore(beforeAs, before)
	}));
}

/**
 * Corrects a line, strikes it out or puts it back, and writes down who did, why, and what stood there before. The line is
 * locked meanwhile, so that two corrections at once are two entries of its history and neither is lost.
 */
export const correctBalance = (
	crewId: string,
	personId: string,
	balanceId: string,
	{ why, note, positionsM, struck }: WantedCorrection
): Promise<readonly BalanceChange[]> =>
	inTransaction(async () => {
		const [row] = await database()
			.select()
			.from(balances)
			.where(and(eq(balances.crewId, crewId), eq(balances.id, balanceId)))
			.for('update');
		if (row === undefined) throw new Refusal('notFound', 'That balance is not in the logbook.');
		const write = async (kind: BalanceChange['kind'], before: BalanceChange['before']) =>
			database()
				.insert(balanceChanges)
				.values({ id: newId(), crewId, balanceId, personId, kind, why, before: toStore(beforeAs, before) });

		const newNote = note !== undefined && note !== row.note;
		const kind = serverKind(row.kind);
		if (positionsM !== undefined && kind.corrected === undefined)
			throw new Refusal('invalid', undefined, { positionsM: `A ${row.kind} has no readings to correct.` });
		const detail = fromStore<RecordDetail & { positionsM?: Readonly<Record<string, number>> }>(kind.detail, row.record);
		const corrected = positionsM === undefined ? null : (kind.corrected?.(detail, positionsM) ?? null);
		if (newNote || corrected !== null) {
			await write('corrected', {
				...(newNote ? { note: row.note } : {}),
				...(corrected === null || detail.positionsM === undefined ? {} : { positionsM: detail.positionsM })
			});
			const next = { ...row, note: note ?? row.note };
			await database()
				.update(balances)
				.set({
					note: next.note,
					words: wordsOf(next, detail),
					...(corrected === null ? {} : { record: toStore(kind.detail, corrected.detail), placed: corrected.placed })
				})
				.where(and(eq(balances.crewId, crewId), eq(balances.id, balanceId)));
		}
		if (struck !== undefined && struck !== row.struck) {
			await write(struck ? 'struck' : 'restored', {});
			await database()
				.update(balances)
				.set({ struck })
				.where(and(eq(balances.crewId, crewId), eq(balances.id, balanceId)));
		}
		return listBalanceChanges(crewId, balanceId);
	});
