import { and, desc, eq } from 'drizzle-orm';
import type { Move, MoveRun, RunSeen } from './model';
import { Refusal } from '$lib/server/refusal';
import { endsByTempo, moveRunDetail } from './schemas.server';
import { fromStore, type StoredAs, toStore } from '$lib/server/stored';
import { readable } from '$lib/server/unreadable';
import { database, inTransaction } from '$lib/server/db/client';
import { findMove } from './rows.server';
import { type BookPlace, microsOf, olderThan } from '$lib/server/db/bookPlace';
import { moveRuns, people } from '$lib/server/db/schema';
import { searched } from '$lib/server/db/searched';
import { findVenue } from '$lib/server/db/venues';

/** How a run lies in the database: the move as it was, and what was seen. */
const runAs: StoredAs<{ readonly move: Move; readonly seen: RunSeen }> = {
	schema: moveRunDetail,
	upgrades: [({ move, ...run }) => ({ ...run, move: endsByTempo(move as Readonly<Record<string, unknown>>) })]
};
const mostListed = 200;

const columns = {
	id: moveRuns.id,
	moveId: moveRuns.moveId,
	moveName: moveRuns.moveName,
	venueName: moveRuns.venueName,
	note: moveRuns.note,
	struck: moveRuns.struck,
	detail: moveRuns.detail,
	at: moveRuns.at,
	personName: people.name
};
const runOf = ({
	detail,
	at,
	...row
}: { detail: unknown; at: string } & Omit<MoveRun, 'move' | 'seen' | 'at'>): MoveRun => ({
	...row,
	...fromStore(runAs, detail),
	at: new Date(at).toISOString()
});

/** The newest first, older than a place in the book; every word and every date that is looked for stands somewhere in it. */
export async function listMoveRuns(
	crewId: string,
	search = '',
	{
		moveId = null,
		before = null,
		most = mostListed
	}: { readonly moveId?: string | null; readonly before?: BookPlace | null; readonly most?: number } = {}
): Promise<(MoveRun & { readonly place: BookPlace })[]> {
	const rows = await database()
		.select({ ...columns, micros: microsOf(moveRuns.at) })
		.from(moveRuns)
		.innerJoin(people, eq(people.id, moveRuns.personId))
		.where(
			and(
				eq(moveRuns.crewId, crewId),
				...(moveId === null ? [] : [eq(moveRuns.moveId, moveId)]),
				...searched(search, moveRuns.at, [moveRuns.words, people.name]),
				olderThan(before, moveRuns.at, moveRuns.id)
			)
		)
		.orderBy(desc(moveRuns.at), desc(moveRuns.id))
		.limit(most);
	const named = rows.map((row) => ({ ...row, name: row.moveName }));
	return readable('run', named, ({ micros, name: _, ...row }) => ({
		...runOf(row),
		place: { micros: Number(micros), id: row.id }
	}));
}

export async function findMoveRun(crewId: string, id: string): Promise<MoveRun> {
	const [row] = await database()
		.select(columns)
		.from(moveRuns)
		.innerJoin(people, eq(people.id, moveRuns.personId))
		.where(and(eq(moveRuns.crewId, crewId), eq(moveRuns.id, id)));
	if (row === undefined) throw new Refusal('notFound', 'That run is not in the logbook.');
	return runOf(row);
}

/** Logs what ran, with the move as it stands; sent twice after a lost answer it is logged once. */
export const logMoveRun = (
	crewId: string,
	personId: string,
	moveId: string,
	{
		id,
		version,
		note,
		seen
	}: { readonly id: string; readonly version: number; readonly note: string; readonly seen: RunSeen },
	at?: string
): Promise<MoveRun> =>
	inTransaction(async () => {
		const found = await findMove(crewId, moveId);
		// What is logged is what the person had in front of them.
		if (found.version !== version) throw new Refusal('stale');
		const { move } = found;
		const venueName = move.venueId === null ? '' : (await findVenue(crewId, move.venueId)).name;
		await database()
			.insert(moveRuns)
			.values({
				id,
				crewId,
				personId,
				moveId,
				moveName: move.name,
				venueName,
				note,
				words: [
					move.name,
					move.job,
					venueName,
					move.support.gearName,
					move.head.gearName,
					move.subject.name,
					note
				].join(' '),
				detail: toStore(runAs, { move, seen }),
				...(at === undefined ? {} : { at })
			})
			.onConflictDoNothing();
		return findMoveRun(crewId, id);
	});

/** A run that was a mistake is struck out, never deleted. */
export async function strikeMoveRun(crewId: string, id: string, struck: boolean): Promise<MoveRun> {
	await database()
		.update(moveRuns)
		.set({ struck })
		.where(and(eq(moveRuns.crewId, crewId), eq(moveRuns.id, id)));
	return findMoveRun(crewId, id);
}
