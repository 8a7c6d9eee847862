import { api, idOf, readBody } from '$lib/server/api';
import { strikeMoveRun } from '$lib/stations/moves/runRows.server';
import { runChange } from '$lib/stations/moves/schemas.server';
import type { RequestEvent } from './$types';

export const PATCH = api(async (event: RequestEvent) => {
	const { struck } = await readBody(event, runChange);
	return strikeMoveRun(event.locals.crewId, idOf(event.params.id), struck);
});
