import { and, desc, eq, or } from 'drizzle-orm';
import type {
	FoundCoordinate,
	Measurement,
	MeasuringSubject,
	MeasuringWay,
	NewMeasurement
} from '$lib/model/measurement';
import { foundCoordinates } from '../schemas/measurement';
import { fromStore, type StoredAs, toStore } from '../stored';
import { readable } from '../unreadable';
import { database } from './client';
import { measurements, people } from './schema';

/** In shape 1 the list lay there bare, without a number. */
const foundAs: StoredAs<{ readonly list: readonly FoundCoordinate[] }> = {
	schema: foundCoordinates,
	upgrades: [(bare) => ({ list: Object.values(bare) })]
};

/** Once per id: sending the same one again, after an answer was lost, makes no second. */
export async function createMeasurement(
	crewId: string,
	personId: string,
	entry: NewMeasurement
): Promise<{ id: string }> {
	await database()
		.insert(measurements)
		.values({ crewId, personId, ...entry, found: toStore(foundAs, { list: entry.found }) })
		.onConflictDoNothing();
	return { id: entry.id };
}

/** Newest first. */
export async function listMeasurements(
	crewId: string,
	{ partId, payloadId }: MeasuringSubject
): Promise<Measurement[]> {
	const subjects = [
		...(partId === null ? [] : [eq(measurements.partId, partId)]),
		...(payloadId === null ? [] : [eq(measurements.payloadId, payloadId)])
	];
	const rows = await database()
		.select({ entry: measurements, personName: people.name })
		.from(measurements)
		.innerJoin(people, eq(people.id, measurements.personId))
		.where(and(eq(measurements.crewId, crewId), or(...subjects)))
		.orderBy(desc(measurements.at), desc(measurements.id))
		.limit(100);
	const named = rows.map((row) => ({ ...row, id: row.entry.id, name: row.entry.way }));
	return readable('measurement', named, ({ entry, personName }) => ({
		id: entry.id,
		partId: entry.partId,
		payloadId: entry.payloadId,
		way: entry.way as MeasuringWay,
		found: fromStore(foundAs, entry.found).list,
		readings: entry.readings,
		personName,
		at: new Date(entry.at).toISOString()
	}));
}

export async function deleteMeasurement(crewId: string, id: string): Promise<void> {
	await database()
		.delete(measurements)
		.where(and(eq(measurements.crewId, crewId), eq(measurements.id, id)));
}
