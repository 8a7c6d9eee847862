import { api, idOf, readBody } from '$lib/server/api';
import { strikeMoveRun } from '$lib/server/db/moveRuns';
import { runChange } from '$lib/server/schemas/move';
import type { RequestEvent } from './$types';

export const PATCH = api(async (event: RequestEvent) => {
	const { struck } = await readBody(event, runChange);
	return strikeMoveRun(event.locals.crewId, idOf(event.params.id), struck);
});
