import { api, readBody } from '$lib/server/api';
import { createHead, listHeads } from '$lib/server/db/heads';
import { headDraft } from '$lib/server/schemas/head';

export const GET = api(({ locals }) => listHeads(locals.crewId));

export const POST = api(async (event) =>
	createHead(event.locals.crewId, event.locals.person.id, await readBody(event, headDraft))
);
