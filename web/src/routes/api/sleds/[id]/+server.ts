import { api, idOf, readBody } from '$lib/server/api';
import { deleteSled, findSled, saveSled } from '$lib/server/db/sleds';
import { sledSave } from '$lib/server/schemas/sled';
import type { RequestEvent } from './$types';

export const GET = api((event: RequestEvent) => findSled(event.locals.crewId, idOf(event.params.id)));

export const PUT = api(async (event: RequestEvent) => {
	const { version, ...draft } = await readBody(event, sledSave);
	return saveSled(event.locals.crewId, idOf(event.params.id), version, draft);
});

export const DELETE = api((event: RequestEvent) => deleteSled(event.locals.crewId, idOf(event.params.id)));
