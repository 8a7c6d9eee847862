import { idOf } from '$lib/server/api';
import { findVenue } from '$lib/server/db/venues';
import { pageLoad } from '$lib/server/page';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals, params }) =>
	pageLoad(async () => ({ venue: await findVenue(locals.crewId, idOf(params.id)) }));
