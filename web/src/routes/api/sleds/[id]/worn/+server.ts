import { api, idOf, readBody } from '$lib/server/api';
import { findSled, saveWorn } from '$lib/server/db/sleds';
import { wornSetup } from '$lib/server/schemas/sled';
import type { RequestEvent } from './$types';

/** How the person who is working wears this sled. */
export const PUT = api(async (event: RequestEvent) => {
	const { crewId, person } = event.locals;
	const content = await readBody(event, wornSetup);
	const sled = await findSled(crewId, idOf(event.params.id));
	await saveWorn(crewId, sled.id, person.id, content);
	return { saved: true };
});
