import { api, idOf, readBody } from '$lib/server/api';
import { deleteVenue, findVenue, saveVenue } from '$lib/server/db/venues';
import { venueSave } from '$lib/server/schemas/venue';
import type { RequestEvent } from './$types';

export const GET = api(({ locals, params }: RequestEvent) => findVenue(locals.crewId, idOf(params.id)));

export const PUT = api(async (event: RequestEvent) => {
	const { crewId, person } = event.locals;
	const { version, ...draft } = await readBody(event, venueSave);
	return saveVenue(crewId, person.id, idOf(event.params.id), version, draft);
});

export const DELETE = api(({ locals, params }: RequestEvent) => deleteVenue(locals.crewId, idOf(params.id)));
