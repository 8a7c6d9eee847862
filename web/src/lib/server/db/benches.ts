import { and, eq, sql } from 'drizzle-orm';
import type { BenchState } from '$lib/model/balance';
import { validated } from '../api';
import { benchState } from '../schemas/bench';
import { database } from './client';
import { benches } from './schema';

export async function findBench(crewId: string, rigId: string, payloadId: string): Promise<BenchState | null> {
	const [row] = await database()
		.select({ state: benches.state })
		.from(benches)
		.where(and(eq(benches.crewId, crewId), eq(benches.rigId, rigId), eq(benches.payloadId, payloadId)));
	return row === undefined ? null : validated<BenchState>(row.state, benchState);
}

/** The last word wins: a scale reading is what the rig says now, whoever read it. */
export async function saveBench(
	crewId: string,
	personId: string,
	rigId: string,
	payloadId: string,
	state: BenchState
): Promise<void> {
	const changed = { state, updatedAt: sql`now()`, updatedBy: personId };
	await database()
		.insert(benches)
		.values({ crewId, rigId, payloadId, state, updatedBy: personId })
		.onConflictDoUpdate({ target: [benches.rigId, benches.payloadId], set: changed });
}
