import { api, readBody } from '$lib/server/api';
import { listBalances } from '$lib/server/db/log';
import { logBalance } from '$lib/server/logBalance';
import { newBalance } from '$lib/server/schemas/record';

export const GET = api(({ locals, url }) => listBalances(locals.crewId, url.searchParams.get('search') ?? ''));

export const POST = api(async (event) =>
	logBalance(event.locals.crewId, event.locals.person.id, await readBody(event, newBalance))
);
