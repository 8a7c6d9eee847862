import { api, idOf, readBody } from '$lib/server/api';
import { deleteLiveHead, findLiveHead, saveLiveHead } from '$lib/server/db/liveHeads';
import { liveHeadSave } from '$lib/server/schemas/live';
import type { RequestEvent } from './$types';

export const GET = api(({ locals, params }: RequestEvent) => findLiveHead(locals.crewId, idOf(params.id)));

export const PUT = api(async (event: RequestEvent) => {
	const { crewId, person } = event.locals;
	const { version, ...draft } = await readBody(event, liveHeadSave);
	return saveLiveHead(crewId, person.id, idOf(event.params.id), version, draft);
});

export const DELETE = api(({ locals, params }: RequestEvent) => deleteLiveHead(locals.crewId, idOf(params.id)));
