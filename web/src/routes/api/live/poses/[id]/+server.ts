import { api, idOf, readBody } from '$lib/server/api';
import { deletePose, savePose } from '$lib/server/db/liveHeads';
import { poseSave } from '$lib/server/schemas/live';
import type { RequestEvent } from './$types';

export const PUT = api(async (event: RequestEvent) =>
	savePose(event.locals.crewId, idOf(event.params.id), await readBody(event, poseSave))
);

export const DELETE = api(({ locals, params }: RequestEvent) => deletePose(locals.crewId, idOf(params.id)));
