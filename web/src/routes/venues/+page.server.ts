import { listVenues } from '$lib/server/db/venues';
import { unreadable } from '$lib/server/unreadable';
import { pageLoad } from '$lib/server/page';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals }) =>
	pageLoad(async () => {
		const venues = await listVenues(locals.crewId);
		return { venues, unreadable: unreadable() };
	});
