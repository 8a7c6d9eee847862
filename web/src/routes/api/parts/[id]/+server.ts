import { api, idOf, readBody } from '$lib/server/api';
import { changePart, deletePart } from '$lib/server/db/parts';
import { newPart } from '$lib/server/schemas/part';
import type { RequestEvent } from './$types';

export const PUT = api(async (event: RequestEvent) =>
	changePart(event.locals.crewId, idOf(event.params.id), await readBody(event, newPart))
);

export const DELETE = api((event: RequestEvent) => deletePart(event.locals.crewId, idOf(event.params.id)));
