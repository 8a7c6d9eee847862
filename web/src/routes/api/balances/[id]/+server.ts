import { api, idOf } from '$lib/server/api';
import { findBalance, findSledBalance, kindOfBalance } from '$lib/server/db/balances';
import type { RequestEvent } from './$types';

export const GET = api(async (event: RequestEvent) => {
	const { crewId } = event.locals;
	const id = idOf(event.params.id);
	return (await kindOfBalance(crewId, id)) === 'sled' ? findSledBalance(crewId, id) : findBalance(crewId, id);
});
