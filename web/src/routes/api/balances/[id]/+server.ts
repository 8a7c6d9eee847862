import { api, idOf, readBody } from '$lib/server/api';
import { findBalance } from '$lib/server/db/log';
import { correctBalance } from '$lib/server/db/logChanges';
import { correction } from '$lib/server/schemas/record';
import type { RequestEvent } from './$types';

export const GET = api(({ locals, params }: RequestEvent) => findBalance(locals.crewId, idOf(params.id)));

/** Corrects the line, strikes it out or puts it back; answers with all that was ever changed about it. */
export const PATCH = api(async (event: RequestEvent) => {
	const { crewId, person } = event.locals;
	const id = idOf(event.params.id);
	return correctBalance(crewId, person.id, id, await readBody(event, correction));
});
