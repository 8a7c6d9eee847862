import { and, eq, sql } from 'drizzle-orm';
import { serverKind } from '../kinds';
import { mergedSave, type MergedSave, type WantedChange } from '../mergedSave';
import { onceARequest } from '../requestMemory';
import { fromStore, toStore } from '../stored';
import { orNone, readable } from '../unreadable';
import { database, holdAlone, inTransaction } from './client';
import { documentName, noteEdit } from './edits';
import { benches, people, supports } from './schema';

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

/** How a payload stands today on every support it was ever on, by the support's id; what cannot be read is left out, and named. */
export async function benchesOf(crewId: string, payloadId: string): Promise<ReadonlyMap<string, unknown>> {
	const rows = await database()
		.select({ id: benches.supportId, name: supports.name, state: benches.state, kind: supports.kind })
		.from(benches)
		.innerJoin(supports, eq(supports.id, benches.supportId))
		.where(and(eq(benches.crewId, crewId), eq(benches.payloadId, payloadId)));
	const stands = readable('how this stood last', rows, ({ id, kind, state }) => ({
		id,
		state: fromStore(serverKind(kind).state, state)
	}));
	return new Map(stands.map(({ id, state }) => [id, state]));
}

/**
 * What somebody changed of a bench since they began, over what stands there now, while nobody else can save it. Both of two who put a payload
 * on a support for the first time are let in one after the other.
 */
export const changeBench = <State extends object>(
	crewId: string,
	personId: string,
	support: { readonly id: string; readonly kind: string },
	payloadId: string,
	change: WantedChange<State>
): Promise<MergedSave<State>> =>
	inTransaction(async () => {
		await holdAlone(`bench ${support.id} ${payloadId}`);
		const as = serverKind(support.kind).state;
		const [row] = await database()
			.select({ state: benches.state, by: people.name })
			.from(benches)
			.leftJoin(people, eq(people.id, benches.updatedBy))
			.where(and(eq(benches.crewId, crewId), eq(benches.supportId, support.id), eq(benches.payloadId, payloadId)));
		const stands =
			row === undefined
				? null
				: await orNone('how this stood last', { id: support.id }, () => ({
						value: fromStore<State>(as, row.state),
						by: row.by ?? 'Somebody'
					}));
		const saved = mergedSave<State>(as.schema, change, stands);
		await saveBench(crewId, personId, support, payloadId, saved.value);
		return saved;
	});

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
