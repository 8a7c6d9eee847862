import { and, desc, eq, gt, notInArray, type SQL, sql } from 'drizzle-orm';
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
	await trimEdits(crewId, document);
}

/** The same as part of a statement whose `saved` has a row where the document was saved: `begun` has one where a new entry was begun. */
export const noteWith = (of: {
	readonly crewId: string;
	readonly personId: string;
	readonly document: string;
	readonly content: unknown;
}): SQL => sql`last as (
		select id, person_id, at from edits where crew_id = ${of.crewId} and document = ${of.document}
		order by at desc, id desc limit 1
	), gone_on as (
		update edits set content = ${JSON.stringify(of.content)}::jsonb, at = clock_timestamp() from last
		where exists (select from saved) and edits.id = last.id and last.person_id = ${of.personId}
			and last.at > now() - make_interval(mins => ${spellMinutes})
		returning edits.id
	), begun as (
		insert into edits (id, crew_id, document, person_id, content, since, at)
		select ${newId()}::uuid, ${of.crewId}::uuid, ${of.document}, ${of.personId}::uuid, ${JSON.stringify(of.content)}::jsonb,
			clock_timestamp(), clock_timestamp()
		where exists (select from saved) and not exists (select from gone_on)
		returning id
	)`;

/** Forgets all of a document's history but its last {@link mostKept} spells. */
export async function trimEdits(crewId: string, document: string): Promise<void> {
	const ofDocument = and(eq(edits.crewId, crewId), eq(edits.document, document));
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

/** A document that is deleted takes its history with it, and that of whatever stood on it. */
export async function forgetEdits(crewId: string, id: string): Promise<void> {
	await database()
		.delete(edits)
		.where(and(eq(edits.crewId, crewId), sql`position(${id} in ${edits.document}) > 0`));
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
