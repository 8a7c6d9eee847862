import { api, readBody } from '$lib/server/api';
import { createPart, listParts } from '$lib/server/db/parts';
import { newPart } from '$lib/server/schemas/part';

export const GET = api(({ locals }) => listParts(locals.crewId));

export const POST = api(async (event) => createPart(event.locals.crewId, await readBody(event, newPart)));
