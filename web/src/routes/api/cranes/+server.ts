import { api, readBody } from '$lib/server/api';
import { createCrane, listCranes } from '$lib/server/db/cranes';
import { craneDraft } from '$lib/server/schemas/crane';

export const GET = api(({ locals }) => listCranes(locals.crewId));

export const POST = api(async (event) => createCrane(event.locals.crewId, await readBody(event, craneDraft)));
