import { and, eq, sql } from 'drizzle-orm';
import type { CraneBenchState, CraneGeometry } from '$lib/model/crane';
import { validated } from '../api';
import { craneBenchState, craneGeometry } from '../schemas/crane';
import { database } from './client';
import { gearStore } from './gearStore';
import { craneBenches, cranes } from './schema';

export const craneStore = gearStore<CraneGeometry>(cranes, 'crane', craneGeometry);
export const {
	list: listCranes,
	find: findCrane,
	create: createCrane,
	save: saveCrane,
	remove: deleteCrane
} = craneStore;

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
