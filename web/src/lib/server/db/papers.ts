import { and, eq, sql } from 'drizzle-orm';
import type { PaperKind, Papers } from '$lib/model/paper';
import { mergedSave, type MergedSave, type WantedChange } from '../mergedSave';
import { paperSchemas } from '../schemas/paper';
import { fromStore, type StoredAs, toStore } from '../stored';
import { orNone } from '../unreadable';
import { database, holdAlone, inTransaction } from './client';
import { documentName, noteEdit } from './edits';
import { papers, people } from './schema';

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

/** What somebody changed of a paper since they began, over what stands there now: everybody ticks the same list. */
export const changePaper = <Kind extends PaperKind>(
	crewId: string,
	personId: string,
	payloadId: string,
	kind: Kind,
	change: WantedChange<Papers[Kind]>
): Promise<MergedSave<Papers[Kind]>> =>
	inTransaction(async () => {
		await holdAlone(`paper ${payloadId} ${kind}`);
		const [row] = await database()
			.select({ content: papers.content, by: people.name })
			.from(papers)
			.leftJoin(people, eq(people.id, papers.updatedBy))
			.where(and(eq(papers.crewId, crewId), eq(papers.payloadId, payloadId), eq(papers.kind, kind)));
		const stands =
			row === undefined
				? null
				: await orNone(kind, { id: payloadId }, () => ({
						value: fromStore<Papers[Kind]>(paperAs(kind), row.content),
						by: row.by ?? 'Somebody'
					}));
		const saved = mergedSave<Papers[Kind]>(paperSchemas[kind], change, stands);
		await savePaper(crewId, personId, payloadId, kind, saved.value);
		return saved;
	});

/** The whole of it, whatever stands there. */
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
