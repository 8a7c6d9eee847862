import { listVenues } from '$lib/server/db/venues';
import { unreadable } from '$lib/server/unreadable';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals }) => {
	const venues = await listVenues(locals.crewId);
	return { venues, unreadable: unreadable() };
};
