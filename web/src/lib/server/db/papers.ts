import { and, eq, sql } from 'drizzle-orm';
import type { PaperKind, Papers } from '$lib/model/paper';
import { validated } from '../api';
import { paperSchemas } from '../schemas/paper';
import { database } from './client';
import { papers } from './schema';

export async function findPaper<Kind extends PaperKind>(
	crewId: string,
	payloadId: string,
	kind: Kind
): Promise<Papers[Kind] | null> {
	const [row] = await database()
		.select({ content: papers.content })
		.from(papers)
		.where(and(eq(papers.crewId, crewId), eq(papers.payloadId, payloadId), eq(papers.kind, kind)));
	return row === undefined ? null : validated<Papers[Kind]>(row.content, paperSchemas[kind]);
}

/** The last word wins: a paper is small and everybody ticks the same list. */
export async function savePaper<Kind extends PaperKind>(
	crewId: string,
	personId: string,
	payloadId: string,
	kind: Kind,
	content: Papers[Kind]
): Promise<void> {
	const changed = { content, updatedAt: sql`now()`, updatedBy: personId };
	await database()
		.insert(papers)
		.values({ crewId, payloadId, kind, content, updatedBy: personId })
		.onConflictDoUpdate({ target: [papers.payloadId, papers.kind], set: changed });
}
