import { api, idOf, readBody } from '$lib/server/api';
import { savePart, deletePart } from '$lib/server/db/parts';
import { changedPart } from '$lib/server/schemas/part';
import type { RequestEvent } from './$types';

export const PUT = api(async (event: RequestEvent) =>
	savePart(event.locals.crewId, idOf(event.params.id), await readBody(event, changedPart))
);

export const DELETE = api((event: RequestEvent) => deletePart(event.locals.crewId, idOf(event.params.id)));
