import { api, idOf, readBody } from '$lib/server/api';
import { deleteRig, findRig, saveRig } from '$lib/server/db/rigs';
import { rigSave } from '$lib/server/schemas/rig';
import type { RequestEvent } from './$types';

export const GET = api((event: RequestEvent) => findRig(event.locals.crewId, idOf(event.params.id)));

export const PUT = api(async (event: RequestEvent) => {
	const { version, ...draft } = await readBody(event, rigSave);
	return saveRig(event.locals.crewId, idOf(event.params.id), version, draft);
});

export const DELETE = api((event: RequestEvent) => deleteRig(event.locals.crewId, idOf(event.params.id)));
