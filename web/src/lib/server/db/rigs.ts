import { and, asc, eq } from 'drizzle-orm';
import type { Rig, RigGeometry } from '$lib/model/rig';
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
	geometry: validated<RigGeometry>(row.geometry, rigGeometry)
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
