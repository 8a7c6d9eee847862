import { venueStore } from '$lib/server/db/venues';
import { itemRoutes } from '$lib/server/draftRoutes';
import { venueSave } from '$lib/server/schemas/venue';

export const { GET, PUT, DELETE } = itemRoutes(venueStore, venueSave);
