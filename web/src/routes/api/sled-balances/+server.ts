import { api, readBody } from '$lib/server/api';
import { logSledBalance } from '$lib/server/logSledBalance';
import { newSledBalance } from '$lib/server/schemas/sled';

export const POST = api(async (event) =>
	logSledBalance(event.locals.crewId, event.locals.person.id, await readBody(event, newSledBalance))
);
