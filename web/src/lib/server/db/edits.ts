import { and, desc, eq, gt, notInArray, sql } from 'drizzle-orm';
import { v7 as newId } from 'uuid';
import type { Edit } from '$lib/model/edit';
import { database } from './client';
import { edits, people } from './schema';

/** What a document is called in its history. */
export const documentName = {
	payload: (id: string) => `payload/${id}`,
	support: (id: string) => `support/${id}`,
	venue: (id: string) => `venue/${id}`,
	bench: (supportId: string, payloadId: string) => `bench/${supportId}/${payloadId}`,
	paper: (payloadId: string, kind: string) => `paper/${payloadId}/${kind}`,
	head: (id: string) => `head/${id}`,
	liveHead: (id: string) => `liveHead/${id}`,
	move: (id: string) => `move/${id}`,
	feel: (about: readonly string[]) => ['feel', ...about].join('/')
} as const;

/** A person who goes on within so many minutes is still at the same work. */
const spellMinutes = 10;
/** So many spells reach back over a season. */
const mostKept = 60;

/**
 * Notes how somebody left a document, in the transaction that saves it. What one person does in a row is one entry; of each
 * document the last {@link mostKept} stay.
 */
export async function noteEdit(crewId: string, personId: string, document: string, content: unknown): Promise<void> {
	const ofDocument = and(eq(edits.crewId, crewId), eq(edits.document, document));
	const last = database()
		.select({ id: edits.id })
		.from(edits)
		.where(ofDocument)
		.orderBy(desc(edits.at), desc(edits.id))
		.limit(1)
		.for('update');
	const goneOn = await database()
		.update(edits)
		.set({ content, at: sql`clock_timestamp()` })
		.where(
			and(
				eq(edits.id, last),
				eq(edits.personId, personId),
				gt(edits.at, sql`now() - make_interval(mins => ${spellMinutes})`)
			)
		)
		.returning({ id: edits.id });
	if (goneOn.length > 0) return;
	await database()
		.insert(edits)
		.values({
			id: newId(),
			crewId,
			document,
			personId,
			content,
			since: sql`clock_timestamp()`,
			at: sql`clock_timestamp()`
		});
	const kept = database()
		.select({ id: edits.id })
		.from(edits)
		.where(ofDocument)
		.orderBy(desc(edits.at), desc(edits.id))
		.limit(mostKept);
	await database()
		.delete(edits)
		.where(and(ofDocument, notInArray(edits.id, kept)));
}

/** Who left a document how, the newest first. */
export async function listEdits(crewId: string, document: string): Promise<Edit[]> {
	const rows = await database()
		.select({
			id: edits.id,
			personName: people.name,
			since: edits.since,
			at: edits.at,
			content: edits.content
		})
		.from(edits)
		.innerJoin(people, eq(people.id, edits.personId))
		.where(and(eq(edits.crewId, crewId), eq(edits.document, document)))
		.orderBy(desc(edits.at), desc(edits.id))
		.limit(mostKept);
	return rows.map(({ since, at, ...rest }) => ({
		...rest,
		since: new Date(since).toISOString(),
		at: new Date(at).toISOString()
	}));
}
