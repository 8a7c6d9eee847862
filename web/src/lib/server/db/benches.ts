import { and, eq, sql } from 'drizzle-orm';
import { serverKind } from '../kinds';
import { onceARequest } from '../requestMemory';
import { fromStore, toStore } from '../stored';
import { database, inTransaction } from './client';
import { documentName, noteEdit } from './edits';
import { benches, supports } from './schema';

/** How a payload stands on a support today; null: it was never on it. */
export async function findBench<State = unknown>(
	crewId: string,
	supportId: string,
	payloadId: string
): Promise<State | null> {
	const row = await onceARequest(`bench ${crewId} ${supportId} ${payloadId}`, async () => {
		const [found] = await database()
			.select({ state: benches.state, kind: supports.kind })
			.from(benches)
			.innerJoin(supports, eq(supports.id, benches.supportId))
			.where(and(eq(benches.crewId, crewId), eq(benches.supportId, supportId), eq(benches.payloadId, payloadId)));
		return found;
	});
	return row === undefined ? null : fromStore(serverKind(row.kind).state, row.state);
}

/** The last word wins: a scale reading is what the support says now, whoever read it. */
export async function saveBench(
	crewId: string,
	personId: string,
	support: { readonly id: string; readonly kind: string },
	payloadId: string,
	state: unknown
): Promise<void> {
	const stored = toStore(serverKind(support.kind).state, state);
	await inTransaction(async () => {
		await database()
			.insert(benches)
			.values({ crewId, supportId: support.id, payloadId, state: stored, updatedBy: personId })
			.onConflictDoUpdate({
				target: [benches.supportId, benches.payloadId],
				set: { state: stored, updatedAt: sql`now()`, updatedBy: personId }
			});
		await noteEdit(crewId, personId, documentName.bench(support.id, payloadId), stored);
	});
}
