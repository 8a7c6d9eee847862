import { api, idOf, readBody } from '$lib/server/api';
import { correctBalance } from '$lib/server/db/balanceChanges';
import { findBalance, findCraneBalance, findSledBalance, kindOfBalance } from '$lib/server/db/balances';
import { correction } from '$lib/server/schemas/record';
import type { RequestEvent } from './$types';

export const GET = api(async (event: RequestEvent) => {
	const { crewId } = event.locals;
	const id = idOf(event.params.id);
	const open = { gimbal: findBalance, sled: findSledBalance, crane: findCraneBalance };
	return open[await kindOfBalance(crewId, id)](crewId, id);
});

/** Corrects the line, strikes it out or puts it back; answers with all that was ever changed about it. */
export const PATCH = api(async (event: RequestEvent) => {
	const { crewId, person } = event.locals;
	const id = idOf(event.params.id);
	return correctBalance(crewId, person.id, id, await readBody(event, correction));
});
