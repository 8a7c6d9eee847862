import { venueStore } from '$lib/server/db/venues';
import { collectionRoutes } from '$lib/server/draftRoutes';
import { venueDraft } from '$lib/server/schemas/venue';

export const { GET, POST } = collectionRoutes(venueStore, venueDraft);
