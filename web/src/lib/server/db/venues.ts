import { and, asc, desc, eq, notInArray, sql } from 'drizzle-orm';
import { v7 as newId } from 'uuid';
import type { VenueDraft, VenuePlan } from '$lib/model/venue';
import { Refusal } from '../refusal';
import { venuePlan } from '../schemas/venue';
import { fromStore, type StoredAs, toStore } from '../stored';
import { readable } from '../unreadable';
import { database, inTransaction } from './client';
import { documentName, noteEdit } from './edits';
import { liveHeads, moves, venuePictures, venues } from './schema';

export type VenueRow = VenueDraft & { readonly id: string; readonly version: number };

/** How a venue's plan lies in the database. */
export const planAs: StoredAs<VenuePlan> = { schema: venuePlan };
const venueOf = (row: typeof venues.$inferSelect): VenueRow => ({
	id: row.id,
	name: row.name,
	plan: fromStore(planAs, row.plan),
	version: row.version
});
const ofCrew = (crewId: string, id: string) => and(eq(venues.crewId, crewId), eq(venues.id, id));
const noteVenue = (crewId: string, personId: string, { id, name, plan: stands }: VenueRow) =>
	noteEdit(crewId, personId, documentName.venue(id), { name, plan: toStore(planAs, stands) });

export async function listVenues(crewId: string): Promise<VenueRow[]> {
	const rows = await database().select().from(venues).where(eq(venues.crewId, crewId)).orderBy(asc(venues.name));
	return readable('venue', rows, venueOf);
}

export async function findVenue(crewId: string, id: string): Promise<VenueRow> {
	const [row] = await database().select().from(venues).where(ofCrew(crewId, id));
	if (row === undefined) throw new Refusal('notFound', 'That venue does not exist, or was deleted.');
	return venueOf(row);
}

export const createVenue = (crewId: string, personId: string, draft: VenueDraft): Promise<VenueRow> =>
	inTransaction(async () => {
		const id = newId();
		await database()
			.insert(venues)
			.values({ id, crewId, name: draft.name, plan: toStore(planAs, draft.plan) });
		const made = await findVenue(crewId, id);
		await noteVenue(crewId, personId, made);
		return made;
	});

/** Over the version the person had in front of them; refuses as stale when somebody saved in between. */
export const saveVenue = (
	crewId: string,
	personId: string,
	id: string,
	version: number,
	draft: VenueDraft
): Promise<VenueRow> =>
	inTransaction(async () => {
		const [saved] = await database()
			.update(venues)
			.set({ name: draft.name, plan: toStore(planAs, draft.plan), version: sql`${venues.version} + 1` })
			.where(and(ofCrew(crewId, id), eq(venues.version, version)))
			.returning();
		if (saved === undefined) {
			await findVenue(crewId, id);
			throw new Refusal('stale');
		}
		const venue = venueOf(saved);
		await noteVenue(crewId, personId, venue);
		return venue;
	});

/** With its pictures. */
/** What stands in a venue, by name: deleted, they stand on an empty floor. So many are named. */
export async function usesOfVenue(
	crewId: string,
	id: string
): Promise<{ readonly moves: readonly string[]; readonly heads: readonly string[] }> {
	const mostNamed = 12;
	const [inMoves, inHeads] = await Promise.all([
		database()
			.select({ name: moves.name })
			.from(moves)
			.where(and(eq(moves.crewId, crewId), eq(moves.venueId, id)))
			.orderBy(asc(moves.name))
			.limit(mostNamed),
		database()
			.select({ name: liveHeads.name })
			.from(liveHeads)
			.where(and(eq(liveHeads.crewId, crewId), eq(liveHeads.venueId, id)))
			.orderBy(asc(liveHeads.name))
			.limit(mostNamed)
	]);
	return { moves: inMoves.map(({ name }) => name), heads: inHeads.map(({ name }) => name) };
}

export async function deleteVenue(crewId: string, id: string): Promise<void> {
	const gone = await database().delete(venues).where(ofCrew(crewId, id)).returning({ id: venues.id });
	if (gone.length === 0) throw new Refusal('notFound', 'That venue is gone already.');
}

/** Undo reaches back to a picture that was replaced, but not for ever. */
const keptPictures = 6;

export type PictureType = (typeof venuePictures.$inferSelect)['type'];

/** Keeps a picture of a venue's plan, the last few before it, and whichever the plan shows, however old. */
export const addPicture = (crewId: string, venueId: string, type: PictureType, content: Uint8Array) =>
	inTransaction(async () => {
		// The plan stands still meanwhile: nobody puts an older picture under it while that one goes.
		const [venue] = await database()
			.select({ plan: venues.plan })
			.from(venues)
			.where(ofCrew(crewId, venueId))
			.for('update');
		if (venue === undefined) throw new Refusal('notFound', 'That venue does not exist, or was deleted.');
		const shown = fromStore(planAs, venue.plan).underlay?.pictureId;
		const id = newId();
		await database().insert(venuePictures).values({ id, crewId, venueId, type, content });
		const ofVenue = and(eq(venuePictures.crewId, crewId), eq(venuePictures.venueId, venueId));
		const kept = await database()
			.select({ id: venuePictures.id })
			.from(venuePictures)
			.where(ofVenue)
			.orderBy(desc(venuePictures.at), desc(venuePictures.id))
			.limit(keptPictures);
		const ids = [...kept.map((each) => each.id), ...(shown === undefined ? [] : [shown])];
		await database()
			.delete(venuePictures)
			.where(and(ofVenue, notInArray(venuePictures.id, ids)));
		return { id };
	});

export async function findPicture(crewId: string, venueId: string, id: string) {
	const [row] = await database()
		.select({ type: venuePictures.type, content: venuePictures.content })
		.from(venuePictures)
		.where(and(eq(venuePictures.crewId, crewId), eq(venuePictures.venueId, venueId), eq(venuePictures.id, id)));
	if (row === undefined) throw new Refusal('notFound', 'That picture is gone.');
	return row;
}
