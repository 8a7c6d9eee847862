import { and, desc, eq } from 'drizzle-orm';
import { v7 as newId } from 'uuid';
import type { HorizonEntry, NewHorizonEntry } from '$lib/model/horizon';
import { database } from './client';
import { horizonEntries, people } from './schema';

/** Newest first, as many as a season of services brings. */
export async function listHorizon(crewId: string, rigId: string): Promise<HorizonEntry[]> {
	const rows = await database()
		.select({ entry: horizonEntries, personName: people.name })
		.from(horizonEntries)
		.innerJoin(people, eq(people.id, horizonEntries.personId))
		.where(and(eq(horizonEntries.crewId, crewId), eq(horizonEntries.rigId, rigId)))
		.orderBy(desc(horizonEntries.at), desc(horizonEntries.id))
		.limit(300);
	return rows.map(({ entry: { id, kind, minutes, rollRad, temperatureC, at }, personName }) => ({
		id,
		kind,
		minutes,
		rollRad,
		temperatureC,
		personName,
		at: new Date(at).toISOString()
	}));
}

export async function addHorizonEntry(
	crewId: string,
	personId: string,
	rigId: string,
	entry: NewHorizonEntry,
	at?: string
): Promise<void> {
	await database()
		.insert(horizonEntries)
		.values({ id: newId(), crewId, personId, rigId, ...entry, ...(at === undefined ? {} : { at }) });
}

export async function deleteHorizonEntry(crewId: string, rigId: string, id: string): Promise<void> {
	await database()
		.delete(horizonEntries)
		.where(and(eq(horizonEntries.crewId, crewId), eq(horizonEntries.rigId, rigId), eq(horizonEntries.id, id)));
}
