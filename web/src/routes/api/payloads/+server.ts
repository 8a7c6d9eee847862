import { api, readBody } from '$lib/server/api';
import { createPayload, listPayloads } from '$lib/server/db/payloads';
import { payloadDraft } from '$lib/server/schemas/payload';

export const GET = api(({ locals }) => listPayloads(locals.crewId));

export const POST = api(async (event) => {
	const { variantOf, ...draft } = await readBody(event, payloadDraft);
	return createPayload(event.locals.crewId, event.locals.person.id, draft, variantOf);
});
