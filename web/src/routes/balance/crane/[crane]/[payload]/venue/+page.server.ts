import { venueStore } from '$lib/server/db/venues';
import { pageLoad } from '$lib/server/page';
import type { PageServerLoad } from './$types';

/** The venues by name, and the one that this bench stands in; it may have been deleted since. */
export const load: PageServerLoad = ({ locals, parent }) =>
	pageLoad(async () => {
		const [{ bench }, venues] = await Promise.all([parent(), venueStore.list(locals.crewId)]);
		return {
			venues: venues.map(({ id, name }) => ({ id, name })),
			venue: venues.find(({ id }) => id === bench?.standing?.venueId) ?? null
		};
	});
