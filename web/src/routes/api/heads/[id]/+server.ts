import { api, idOf, readBody } from '$lib/server/api';
import { deleteHead, findHead, saveHead } from '$lib/server/db/heads';
import { headSave } from '$lib/server/schemas/head';
import type { RequestEvent } from './$types';

export const GET = api(({ locals, params }: RequestEvent) => findHead(locals.crewId, idOf(params.id)));

export const PUT = api(async (event: RequestEvent) => {
	const { crewId, person } = event.locals;
	const { version, ...draft } = await readBody(event, headSave);
	return saveHead(crewId, person.id, idOf(event.params.id), version, draft);
});

export const DELETE = api(({ locals, params }: RequestEvent) => deleteHead(locals.crewId, idOf(params.id)));
