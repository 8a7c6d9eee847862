import { and, desc, eq, sql } from 'drizzle-orm';
import { v7 as newId } from 'uuid';
import type { LoggedSledEntry, SledBenchState, SledEntry, SledGeometry, WornSetup } from '$lib/model/sled';
import { validated } from '../api';
import { sledBenchState, sledEntry, sledGeometry, wornSetup } from '../schemas/sled';
import { database } from './client';
import { gearStore } from './gearStore';
import { people, sledBenches, sledEntries, sleds, sledWorn } from './schema';

export const sledStore = gearStore<SledGeometry>(sleds, 'sled', sledGeometry);
export const { list: listSleds, find: findSled, create: createSled, save: saveSled, remove: deleteSled } = sledStore;

export async function findSledBench(crewId: string, sledId: string, payloadId: string): Promise<SledBenchState | null> {
	const [row] = await database()
		.select({ state: sledBenches.state })
		.from(sledBenches)
		.where(and(eq(sledBenches.crewId, crewId), eq(sledBenches.sledId, sledId), eq(sledBenches.payloadId, payloadId)));
	return row === undefined ? null : validated<SledBenchState>(row.state, sledBenchState);
}

/** The last word wins, as on the gimbal's bench. */
export async function saveSledBench(
	crewId: string,
	personId: string,
	sledId: string,
	payloadId: string,
	state: SledBenchState
): Promise<void> {
	await database()
		.insert(sledBenches)
		.values({ crewId, sledId, payloadId, state, updatedBy: personId })
		.onConflictDoUpdate({
			target: [sledBenches.sledId, sledBenches.payloadId],
			set: { state, updatedAt: sql`now()`, updatedBy: personId }
		});
}

export async function findWorn(crewId: string, sledId: string, personId: string): Promise<WornSetup | null> {
	const [row] = await database()
		.select({ content: sledWorn.content })
		.from(sledWorn)
		.where(and(eq(sledWorn.crewId, crewId), eq(sledWorn.sledId, sledId), eq(sledWorn.personId, personId)));
	return row === undefined ? null : validated<WornSetup>(row.content, wornSetup);
}

export async function saveWorn(crewId: string, sledId: string, personId: string, content: WornSetup): Promise<void> {
	await database()
		.insert(sledWorn)
		.values({ crewId, sledId, personId, content })
		.onConflictDoUpdate({ target: [sledWorn.sledId, sledWorn.personId], set: { content, updatedAt: sql`now()` } });
}

/** The newest first. */
export async function listSledEntries(crewId: string, sledId: string, most = 60): Promise<LoggedSledEntry[]> {
	const rows = await database()
		.select({ id: sledEntries.id, entry: sledEntries.entry, at: sledEntries.at, personName: people.name })
		.from(sledEntries)
		.innerJoin(people, eq(people.id, sledEntries.personId))
		.where(and(eq(sledEntries.crewId, crewId), eq(sledEntries.sledId, sledId)))
		.orderBy(desc(sledEntries.at), desc(sledEntries.id))
		.limit(most);
	return rows.map(({ entry, at, ...rest }) => ({
		...rest,
		at: new Date(at).toISOString(),
		...validated<SledEntry>(entry, sledEntry)
	}));
}

/** Logs once per id: sent again after a lost answer, the first stands. */
export async function addSledEntry(
	crewId: string,
	personId: string,
	sledId: string,
	{ id = newId(), at, ...entry }: SledEntry & { readonly id?: string; readonly at?: string }
): Promise<void> {
	await database()
		.insert(sledEntries)
		.values({ id, crewId, personId, sledId, entry, at: at ?? sql`now()` })
		.onConflictDoNothing();
}
