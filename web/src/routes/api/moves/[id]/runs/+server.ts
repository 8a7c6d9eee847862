import { api, idOf, readBody } from '$lib/server/api';
import { logMoveRun } from '$lib/stations/moves/runRows.server';
import { runNew } from '$lib/stations/moves/schemas.server';
import type { RequestEvent } from './$types';

export const POST = api(async (event: RequestEvent) => {
	const { crewId, person } = event.locals;
	return logMoveRun(crewId, person.id, idOf(event.params.id), await readBody(event, runNew));
});
