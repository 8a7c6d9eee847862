import { api, readBody } from '$lib/server/api';
import { createRig, listRigs } from '$lib/server/db/rigs';
import { rigDraft } from '$lib/server/schemas/rig';

export const GET = api(({ locals }) => listRigs(locals.crewId));

export const POST = api(async (event) => createRig(event.locals.crewId, await readBody(event, rigDraft)));
