import { api, idOf, readBody } from '$lib/server/api';
import { logMoveRun } from '$lib/server/db/moveRuns';
import { runNew } from '$lib/server/schemas/move';
import type { RequestEvent } from './$types';

export const POST = api(async (event: RequestEvent) => {
	const { crewId, person } = event.locals;
	return logMoveRun(crewId, person.id, idOf(event.params.id), await readBody(event, runNew));
});
