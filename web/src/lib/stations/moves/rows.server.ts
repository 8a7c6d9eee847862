import { and, desc, eq, sql } from 'drizzle-orm';
import { v7 as newId } from 'uuid';
import type { Move, SavedMove } from './model';
import { most } from './limits';
import { Refusal } from '$lib/server/refusal';
import { endsByTempo, moveDraft } from './schemas.server';
import { fromStore, type StoredAs, toStore } from '$lib/server/stored';
import { readable } from '$lib/server/unreadable';
import { database, inTransaction } from '$lib/server/db/client';
import { documentName, noteEdit, forgetEdits } from '$lib/server/db/edits';
import { moves } from '$lib/server/db/schema';
import { findVenue } from '$lib/server/db/venues';

/** How a move lies in the database. */
export const moveAs: StoredAs<Move> = { schema: moveDraft, upgrades: [endsByTempo] };
type Row = typeof moves.$inferSelect;
/** The column is what counts: a venue that was deleted meanwhile is none any more. */
const moveOf = ({ id, version, name, venueId, content }: Row): SavedMove => ({
	id,
	version,
	move: { ...fromStore(moveAs, content), name, venueId }
});
const ofCrew = (crewId: string, id: string) => and(eq(moves.crewId, crewId), eq(moves.id, id));

/** The last changed first. */
export async function listMoves(crewId: string): Promise<(SavedMove & { readonly at: string })[]> {
	const rows = await database()
		.select()
		.from(moves)
		.where(eq(moves.crewId, crewId))
		.orderBy(desc(moves.updatedAt), desc(moves.id))
		.limit(most.moves);
	return readable('move', rows, (row) => ({ ...moveOf(row), at: new Date(row.updatedAt).toISOString() }));
}

/** The one that was changed last; null: the crew has none. */
export async function latestMove(crewId: string): Promise<SavedMove | null> {
	const [row] = await database()
		.select()
		.from(moves)
		.where(eq(moves.crewId, crewId))
		.orderBy(desc(moves.updatedAt), desc(moves.id))
		.limit(1);
	return row === undefined ? null : moveOf(row);
}

export async function findMove(crewId: string, id: string): Promise<SavedMove> {
	const [row] = await database().select().from(moves).where(ofCrew(crewId, id));
	if (row === undefined) throw new Refusal('notFound', 'That move does not exist, or was deleted.');
	return moveOf(row);
}

export const createMove = (crewId: string, personId: string, move: Move): Promise<SavedMove> =>
	inTransaction(async () => {
		if (move.venueId !== null) await findVenue(crewId, move.venueId);
		const [held] = await database()
			.select({ count: sql<number>`count(*)::int` })
			.from(moves)
			.where(eq(moves.crewId, crewId));
		if ((held?.count ?? 0) >= most.moves)
			throw new Refusal('invalid', `A crew keeps ${most.moves} moves: delete one that is not run any more.`);
		const id = newId();
		const content = toStore(moveAs, move);
		await database()
			.insert(moves)
			.values({ id, crewId, name: move.name, venueId: move.venueId, content, updatedBy: personId });
		await noteEdit(crewId, personId, documentName.move(id), content);
		return findMove(crewId, id);
	});

/** Over the version the person had in front of them; refuses as stale when somebody saved in between. */
export const saveMove = (
	crewId: string,
	personId: string,
	id: string,
	version: number,
	move: Move
): Promise<SavedMove> =>
	inTransaction(async () => {
		// Deleted meanwhile by somebody else: the move itself is kept, on an empty floor.
		const venueId =
			move.venueId === null
				? null
				: await findVenue(crewId, move.venueId).then(
						(venue) => venue.id,
						(thrown: unknown) => {
							if (thrown instanceof Refusal && thrown.code === 'notFound') return null;
							throw thrown;
						}
					);
		const content = toStore(moveAs, move);
		const [saved] = await database()
			.update(moves)
			.set({
				name: move.name,
				venueId,
				content,
				version: sql`${moves.version} + 1`,
				updatedAt: sql`now()`,
				updatedBy: personId
			})
			.where(and(ofCrew(crewId, id), eq(moves.version, version)))
			.returning();
		if (saved === undefined) {
			await findMove(crewId, id);
			throw new Refusal('stale');
		}
		await noteEdit(crewId, personId, documentName.move(id), content);
		return moveOf(saved);
	});

/** What ran of it stays in the logbook. */
export const deleteMove = (crewId: string, id: string): Promise<void> =>
	inTransaction(async () => {
		const gone = await database().delete(moves).where(ofCrew(crewId, id)).returning({ id: moves.id });
		if (gone.length === 0) throw new Refusal('notFound', 'That move is gone already.');
		await forgetEdits(crewId, id);
	});
