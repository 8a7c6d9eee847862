import { and, asc, eq, sql } from 'drizzle-orm';
import { v7 as newId } from 'uuid';
import type { Head, HeadDraft, HeadFigures } from '$lib/model/head';
import { Refusal } from '../refusal';
import { headFigures } from '../schemas/head';
import { fromStore, type StoredAs, toStore } from '../stored';
import { readable } from '../unreadable';
import { database, inTransaction } from './client';
import { documentName, noteEdit, forgetEdits } from './edits';
import { heads } from './schema';

/** How a head's figures lie in the database. */
export const headAs: StoredAs<HeadFigures> = { schema: headFigures };
const headOf = (row: typeof heads.$inferSelect): Head => ({
	id: row.id,
	name: row.name,
	head: fromStore(headAs, row.head),
	version: row.version
});
const ofCrew = (crewId: string, id: string) => and(eq(heads.crewId, crewId), eq(heads.id, id));
const noteHead = (crewId: string, personId: string, { id, name, head }: Head) =>
	noteEdit(crewId, personId, documentName.head(id), { name, head: toStore(headAs, head) });

export async function listHeads(crewId: string): Promise<Head[]> {
	const rows = await database().select().from(heads).where(eq(heads.crewId, crewId)).orderBy(asc(heads.name));
	return readable('head', rows, headOf);
}

export async function findHead(crewId: string, id: string): Promise<Head> {
	const [row] = await database().select().from(heads).where(ofCrew(crewId, id));
	if (row === undefined) throw new Refusal('notFound', 'That head does not exist, or was deleted.');
	return headOf(row);
}

export const createHead = (crewId: string, personId: string, draft: HeadDraft): Promise<Head> =>
	inTransaction(async () => {
		const id = newId();
		await database()
			.insert(heads)
			.values({ id, crewId, name: draft.name, head: toStore(headAs, draft.head) });
		const made = await findHead(crewId, id);
		await noteHead(crewId, personId, made);
		return made;
	});

/** Over the version the person had in front of them; refuses as stale when somebody saved in between. */
export const saveHead = (
	crewId: string,
	personId: string,
	id: string,
	version: number,
	draft: HeadDraft
): Promise<Head> =>
	inTransaction(async () => {
		const [saved] = await database()
			.update(heads)
			.set({ name: draft.name, head: toStore(headAs, draft.head), version: sql`${heads.version} + 1` })
			.where(and(ofCrew(crewId, id), eq(heads.version, version)))
			.returning();
		if (saved === undefined) {
			await findHead(crewId, id);
			throw new Refusal('stale');
		}
		const head = headOf(saved);
		await noteHead(crewId, personId, head);
		return head;
	});

/** Moves keep their own copy of it. */
export const deleteHead = (crewId: string, id: string): Promise<void> =>
	inTransaction(async () => {
		const gone = await database().delete(heads).where(ofCrew(crewId, id)).returning({ id: heads.id });
		if (gone.length === 0) throw new Refusal('notFound', 'That head is gone already.');
		await forgetEdits(crewId, id);
	});
