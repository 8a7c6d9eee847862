import { and, eq, sql } from 'drizzle-orm';
import type { PaperKind, Papers } from '$lib/model/paper';
import { paperSchemas } from '../schemas/paper';
import { fromStore, type StoredAs, toStore } from '../stored';
import { database, inTransaction } from './client';
import { documentName, noteEdit } from './edits';
import { papers } from './schema';

/** How a paper lies in the database. */
export const paperAs = <Kind extends PaperKind>(kind: Kind): StoredAs<Papers[Kind]> => ({ schema: paperSchemas[kind] });

export async function findPaper<Kind extends PaperKind>(
	crewId: string,
	payloadId: string,
	kind: Kind
): Promise<Papers[Kind] | null> {
	const [row] = await database()
		.select({ content: papers.content })
		.from(papers)
		.where(and(eq(papers.crewId, crewId), eq(papers.payloadId, payloadId), eq(papers.kind, kind)));
	return row === undefined ? null : fromStore<Papers[Kind]>(paperAs(kind), row.content);
}

/** The last word wins: a paper is small and everybody ticks the same list. */
export async function savePaper<Kind extends PaperKind>(
	crewId: string,
	personId: string,
	payloadId: string,
	kind: Kind,
	content: Papers[Kind]
): Promise<void> {
	const stored = toStore(paperAs(kind), content);
	const changed = { content: stored, updatedAt: sql`now()`, updatedBy: personId };
	await inTransaction(async () => {
		await database()
			.insert(papers)
			.values({ crewId, payloadId, kind, content: stored, updatedBy: personId })
			.onConflictDoUpdate({ target: [papers.payloadId, papers.kind], set: changed });
		await noteEdit(crewId, personId, documentName.paper(payloadId, kind), stored);
	});
}
