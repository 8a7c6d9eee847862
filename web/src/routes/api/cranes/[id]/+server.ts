import { api, idOf, readBody } from '$lib/server/api';
import { deleteCrane, findCrane, saveCrane } from '$lib/server/db/cranes';
import { craneSave } from '$lib/server/schemas/crane';
import type { RequestEvent } from './$types';

export const GET = api((event: RequestEvent) => findCrane(event.locals.crewId, idOf(event.params.id)));

export const PUT = api(async (event: RequestEvent) => {
	const { version, ...draft } = await readBody(event, craneSave);
	return saveCrane(event.locals.crewId, idOf(event.params.id), version, draft);
});

export const DELETE = api((event: RequestEvent) => deleteCrane(event.locals.crewId, idOf(event.params.id)));
