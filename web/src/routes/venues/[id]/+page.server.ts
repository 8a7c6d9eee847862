import { idOf } from '$lib/server/api';
import { findVenue, usesOfVenue } from '$lib/server/db/venues';
import { pageLoad } from '$lib/server/page';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals, params }) =>
	pageLoad(async () => {
		const id = idOf(params.id);
		const [venue, uses] = await Promise.all([findVenue(locals.crewId, id), usesOfVenue(locals.crewId, id)]);
		return { venue, uses };
	});
