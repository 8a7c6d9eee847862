import { api, readBody } from '$lib/server/api';
import { createPayload, listPayloads } from '$lib/server/db/payloads';
import { payloadDraft } from '$lib/server/schemas/payload';

export const GET = api(({ locals }) => listPayloads(locals.crewId));

export const POST = api(async (event) =>
	createPayload(event.locals.crewId, event.locals.person.id, await readBody(event, payloadDraft))
);
