import { api, readBody } from '$lib/server/api';
import { createVenue, listVenues } from '$lib/server/db/venues';
import { venueDraft } from '$lib/server/schemas/venue';

export const GET = api(({ locals }) => listVenues(locals.crewId));

export const POST = api(async (event) =>
	createVenue(event.locals.crewId, event.locals.person.id, await readBody(event, venueDraft))
);
