import { api, readBody } from '$lib/server/api';
import { createSled, listSleds } from '$lib/server/db/sleds';
import { sledDraft } from '$lib/server/schemas/sled';

export const GET = api(({ locals }) => listSleds(locals.crewId));

export const POST = api(async (event) => createSled(event.locals.crewId, await readBody(event, sledDraft)));
