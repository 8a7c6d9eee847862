import { and, asc, desc, eq, inArray, isNotNull, isNull, notInArray, sql } from 'drizzle-orm';
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
const ofCrew = (crewId: string, id: string) =>
	and(eq(venues.crewId, crewId), eq(venues.id, id), isNull(venues.deletedAt));
const noteVenue = (crewId: string, personId: string, { id, name, plan: stands }: VenueRow) =>
	noteEdit(crewId, personId, documentName.venue(id), { name, plan: toStore(planAs, stands) });

export async function listVenues(crewId: string): Promise<VenueRow[]> {
	const rows = await database()
		.select()
		.from(venues)
		.where(and(eq(venues.crewId, crewId), isNull(venues.deletedAt)))
		.orderBy(asc(venues.name));
	return readable('venue', rows, venueOf);
}

/** What they are called: a choice among them needs no plans. */
export const listVenueNames = (crewId: string): Promise<{ readonly id: string; readonly name: string }[]> =>
	database()
		.select({ id: venues.id, name: venues.name })
		.from(venues)
		.where(and(eq(venues.crewId, crewId), isNull(venues.deletedAt)))
		.orderBy(asc(venues.name));

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

/** So many deleted ones can be brought back, the last first. */
const keptDeleted = 10;
/** Ids of what stood in a venue when it was deleted. */
interface StoodThere {
	readonly moves: readonly string[];
	readonly heads: readonly string[];
}
const idsIn = (value: unknown): readonly string[] =>
	Array.isArray(value) ? value.filter((each): each is string => typeof each === 'string') : [];

/** What stood there stands on an empty floor. It is kept a while with its pictures, and can be brought back. */
export const deleteVenue = (crewId: string, id: string): Promise<void> =>
	inTransaction(async () => {
		const inIt = (table: typeof moves | typeof liveHeads) => and(eq(table.crewId, crewId), eq(table.venueId, id));
		const [inMoves, inHeads] = [
			await database().update(moves).set({ venueId: null }).where(inIt(moves)).returning({ id: moves.id }),
			await database().update(liveHeads).set({ venueId: null }).where(inIt(liveHeads)).returning({ id: liveHeads.id })
		];
		const stoodThere: StoodThere = { moves: inMoves.map((each) => each.id), heads: inHeads.map((each) => each.id) };
		const gone = await database()
			.update(venues)
			.set({ deletedAt: sql`now()`, stoodThere })
			.where(ofCrew(crewId, id))
			.returning({ id: venues.id });
		if (gone.length === 0) throw new Refusal('notFound', 'That venue is gone already.');
		const kept = (await listDeletedVenues(crewId)).map((each) => each.id);
		await database()
			.delete(venues)
			.where(and(eq(venues.crewId, crewId), isNotNull(venues.deletedAt), notInArray(venues.id, kept)));
	});

/** Those that can be brought back, the last deleted first. */
export async function listDeletedVenues(
	crewId: string
): Promise<readonly { readonly id: string; readonly name: string; readonly at: string }[]> {
	const rows = await database()
		.select({ id: venues.id, name: venues.name, at: venues.deletedAt })
		.from(venues)
		.where(and(eq(venues.crewId, crewId), isNotNull(venues.deletedAt)))
		.orderBy(desc(venues.deletedAt), desc(venues.id))
		.limit(keptDeleted);
	return rows.map(({ id, name, at }) => ({ id, name, at: new Date(at!).toISOString() }));
}

/** As it was, with what stood there and stands nowhere else since. */
export const bringBackVenue = (crewId: string, personId: string, id: string): Promise<VenueRow> =>
	inTransaction(async () => {
		const [row] = await database()
			.select()
			.from(venues)
			.where(and(eq(venues.crewId, crewId), eq(venues.id, id)))
			.for('update');
		if (row === undefined) throw new Refusal('notFound', 'That venue was deleted too long ago to be brought back.');
		if (row.deletedAt === null) return venueOf(row);
		const [taken] = await database()
			.select({ id: venues.id })
			.from(venues)
			.where(and(eq(venues.crewId, crewId), eq(venues.name, row.name), isNull(venues.deletedAt)));
		if (taken !== undefined)
			throw new Refusal('invalid', `Another venue is called “${row.name}” by now: give that one another name first.`);
		await database().update(venues).set({ deletedAt: null, stoodThere: null }).where(eq(venues.id, id));
		const stood = row.stoodThere as Partial<StoodThere> | null;
		for (const [table, ids] of [
			[moves, idsIn(stood?.moves)],
			[liveHeads, idsIn(stood?.heads)]
		] as const)
			if (ids.length > 0)
				await database()
					.update(table)
					.set({ venueId: id })
					.where(and(eq(table.crewId, crewId), inArray(table.id, [...ids]), isNull(table.venueId)));
		const back = await findVenue(crewId, id);
		await noteVenue(crewId, personId, back);
		return back;
	});

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
		.innerJoin(venues, eq(venues.id, venuePictures.venueId))
		.where(and(ofCrew(crewId, venueId), eq(venuePictures.crewId, crewId), eq(venuePictures.id, id)));
	if (row === undefined) throw new Refusal('notFound', 'That picture is gone.');
	return row;
}
