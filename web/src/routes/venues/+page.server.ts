import { listDeletedVenues, listVenues } from '$lib/server/db/venues';
import { unreadable } from '$lib/server/unreadable';
import { pageLoad } from '$lib/server/page';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals }) =>
	pageLoad(async () => {
		const [venues, deleted] = await Promise.all([listVenues(locals.crewId), listDeletedVenues(locals.crewId)]);
		return { venues, deleted, unreadable: unreadable() };
	});
