import { listParts } from '$lib/server/db/parts';
import { listRigs } from '$lib/server/db/rigs';
import { venueStore } from '$lib/server/db/venues';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals }) => {
	const { crewId } = locals;
	const [shelf, rigs, venues] = await Promise.all([listParts(crewId), listRigs(crewId), venueStore.list(crewId)]);
	return { shelf, rigs, venues: venues.map(({ id, name }) => ({ id, name })) };
};
