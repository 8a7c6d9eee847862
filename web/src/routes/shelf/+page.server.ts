import { listOnOffer } from '$lib/server/db/supports';
import { listParts } from '$lib/server/db/parts';
import { listVenues } from '$lib/server/db/venues';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals: { crewId } }) => {
	const [shelf, { supports }, venues] = await Promise.all([listParts(crewId), listOnOffer(crewId), listVenues(crewId)]);
	return { shelf, supports, venues: venues.map(({ id, name }) => ({ id, name })) };
};
