import { and, asc, eq, sql } from 'drizzle-orm';
import { v7 as newId } from 'uuid';
import type { CraneBenchState, CraneDraft, CraneGeometry, CraneRig } from '$lib/model/crane';
import { validated } from '../api';
import { Refusal } from '../refusal';
import { craneBenchState, craneGeometry } from '../schemas/crane';
import { database } from './client';
import { craneBenches, cranes } from './schema';

const toCrane = (row: typeof cranes.$inferSelect): CraneRig => ({
	id: row.id,
	name: row.name,
	leastPayloadKg: row.leastPayloadKg,
	greatestPayloadKg: row.greatestPayloadKg,
	geometry: validated<CraneGeometry>(row.geometry, craneGeometry),
	version: row.version
});

export async function listCranes(crewId: string): Promise<CraneRig[]> {
	const rows = await database()
		.select()
		.from(cranes)
		.where(eq(cranes.crewId, crewId))
		.orderBy(asc(cranes.greatestPayloadKg), asc(cranes.name));
	return rows.map(toCrane);
}

export async function findCrane(crewId: string, id: string): Promise<CraneRig> {
	const [row] = await database()
		.select()
		.from(cranes)
		.where(and(eq(cranes.crewId, crewId), eq(cranes.id, id)));
	if (row === undefined) throw new Refusal('notFound', 'That crane does not exist, or was deleted.');
	return toCrane(row);
}

export async function createCrane(crewId: string, draft: CraneDraft): Promise<CraneRig> {
	const id = newId();
	await database()
		.insert(cranes)
		.values({ id, crewId, ...draft });
	return findCrane(crewId, id);
}

/** Saves over the version the person had in front of them; refuses as stale when somebody saved in between. */
export async function saveCrane(crewId: string, id: string, version: number, draft: CraneDraft): Promise<CraneRig> {
	const [saved] = await database()
		.update(cranes)
		.set({ ...draft, version: sql`${cranes.version} + 1` })
		.where(and(eq(cranes.crewId, crewId), eq(cranes.id, id), eq(cranes.version, version)))
		.returning();
	if (saved !== undefined) return toCrane(saved);
	await findCrane(crewId, id);
	throw new Refusal('stale');
}

/** Takes a crane away with its benches; the logbook keeps its copies. */
export async function deleteCrane(crewId: string, id: string): Promise<void> {
	const gone = await database()
		.delete(cranes)
		.where(and(eq(cranes.crewId, crewId), eq(cranes.id, id)))
		.returning({ id: cranes.id });
	if (gone.length === 0) throw new Refusal('notFound', 'That crane is gone already.');
}

export async function findCraneBench(
	crewId: string,
	craneId: string,
	payloadId: string
): Promise<CraneBenchState | null> {
	const [row] = await database()
		.select({ state: craneBenches.state })
		.from(craneBenches)
		.where(
			and(eq(craneBenches.crewId, crewId), eq(craneBenches.craneId, craneId), eq(craneBenches.payloadId, payloadId))
		);
	return row === undefined ? null : validated<CraneBenchState>(row.state, craneBenchState);
}

/** The last word wins, as on every bench. */
export async function saveCraneBench(
	crewId: string,
	personId: string,
	craneId: string,
	payloadId: string,
	state: CraneBenchState
): Promise<void> {
	await database()
		.insert(craneBenches)
		.values({ crewId, craneId, payloadId, state, updatedBy: personId })
		.onConflictDoUpdate({
			target: [craneBenches.craneId, craneBenches.payloadId],
			set: { state, updatedAt: sql`now()`, updatedBy: personId }
		});
}
