import { api, idOf, readBody } from '$lib/server/api';
import { deletePayload, findPayload, savePayload } from '$lib/server/db/payloads';
import { payloadSave } from '$lib/server/schemas/payload';
import type { RequestEvent } from './$types';

export const GET = api((event: RequestEvent) => findPayload(event.locals.crewId, idOf(event.params.id)));

export const PUT = api(async (event: RequestEvent) => {
	const { crewId, person } = event.locals;
	const { version, ...draft } = await readBody(event, payloadSave);
	return savePayload(crewId, person.id, idOf(event.params.id), version, draft);
});

export const DELETE = api((event: RequestEvent) => deletePayload(event.locals.crewId, idOf(event.params.id)));
