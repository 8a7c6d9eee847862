import { api, idOf } from '$lib/server/api';
import { findBalance, findCraneBalance, findSledBalance, kindOfBalance } from '$lib/server/db/balances';
import type { RequestEvent } from './$types';

export const GET = api(async (event: RequestEvent) => {
	const { crewId } = event.locals;
	const id = idOf(event.params.id);
	const open = { gimbal: findBalance, sled: findSledBalance, crane: findCraneBalance };
	return open[await kindOfBalance(crewId, id)](crewId, id);
});
