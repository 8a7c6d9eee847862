import { api, readBody } from '$lib/server/api';
import { logCraneBalance } from '$lib/server/logCraneBalance';
import { newCraneBalance } from '$lib/server/schemas/crane';

export const POST = api(async (event) =>
	logCraneBalance(event.locals.crewId, event.locals.person.id, await readBody(event, newCraneBalance))
);
