import { and, desc, eq, notInArray } from 'drizzle-orm';
import { v7 as newId } from 'uuid';
import type { VenueDraft, VenuePlan } from '$lib/model/venue';
import { validated } from '../api';
import { Refusal } from '../refusal';
import { venuePlan } from '../schemas/venue';
import { database, inTransaction } from './client';
import { draftStore } from './draftStore';
import { venuePictures, venues } from './schema';

export const venueStore = draftStore(venues, 'venue', ({ name, plan }): VenueDraft => ({
	name,
	plan: validated<VenuePlan>(plan, venuePlan)
}));

/** Undo reaches back to a picture that was replaced, but not for ever. */
const keptPictures = 6;

export type PictureType = (typeof venuePictures.$inferSelect)['type'];

/** Keeps a picture of a venue's plan, and the last few before it. */
export const addPicture = (crewId: string, venueId: string, type: PictureType, content: Uint8Array) =>
	inTransaction(async () => {
		await venueStore.find(crewId, venueId);
		const id = newId();
		await database().insert(venuePictures).values({ id, crewId, venueId, type, content });
		const ofVenue = and(eq(venuePictures.crewId, crewId), eq(venuePictures.venueId, venueId));
		const kept = await database()
			.select({ id: venuePictures.id })
			.from(venuePictures)
			.where(ofVenue)
			.orderBy(desc(venuePictures.at), desc(venuePictures.id))
			.limit(keptPictures);
		const ids = kept.map((each) => each.id);
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
