import { and, asc, eq, sql } from 'drizzle-orm';
import { v7 as newId } from 'uuid';
import type { Rig, RigDraft, RigGeometry } from '$lib/model/rig';
import { validated } from '../api';
import { Refusal } from '../refusal';
import { rigGeometry } from '../schemas/rig';
import { database } from './client';
import { rigs } from './schema';

const toRig = (row: typeof rigs.$inferSelect): Rig => ({
	id: row.id,
	name: row.name,
	leastPayloadKg: row.leastPayloadKg,
	greatestPayloadKg: row.greatestPayloadKg,
	geometry: validated<RigGeometry>(row.geometry, rigGeometry),
	version: row.version
});

export async function listRigs(crewId: string): Promise<Rig[]> {
	const rows = await database()
		.select()
		.from(rigs)
		.where(eq(rigs.crewId, crewId))
		.orderBy(asc(rigs.greatestPayloadKg), asc(rigs.name));
	return rows.map(toRig);
}

export async function findRig(crewId: string, id: string): Promise<Rig> {
	const [row] = await database()
		.select()
		.from(rigs)
		.where(and(eq(rigs.crewId, crewId), eq(rigs.id, id)));
	if (row === undefined) throw new Refusal('notFound', 'That rig does not exist, or was deleted.');
	return toRig(row);
}

export async function createRig(crewId: string, draft: RigDraft): Promise<Rig> {
	const id = newId();
	await database()
		.insert(rigs)
		.values({ id, crewId, ...draft });
	return findRig(crewId, id);
}

/** Saves over the version the person had in front of them; refuses as stale when somebody saved in between. */
export async function saveRig(crewId: string, id: string, version: number, draft: RigDraft): Promise<Rig> {
	const [saved] = await database()
		.update(rigs)
		.set({ ...draft, version: sql`${rigs.version} + 1` })
		.where(and(eq(rigs.crewId, crewId), eq(rigs.id, id), eq(rigs.version, version)))
		.returning();
	if (saved !== undefined) return toRig(saved);
	await findRig(crewId, id);
	throw new Refusal('stale');
}

/** Takes a rig away with its benches; the logbook keeps its copies. */
export async function deleteRig(crewId: string, id: string): Promise<void> {
	const gone = await database()
		.delete(rigs)
		.where(and(eq(rigs.crewId, crewId), eq(rigs.id, id)))
		.returning({ id: rigs.id });
	if (gone.length === 0) throw new Refusal('notFound', 'That rig is gone already.');
}
