import { api, idOf, readBody } from '$lib/server/api';
import { addSledEntry, findSled, listSledEntries } from '$lib/server/db/sleds';
import { newSledEntry } from '$lib/server/schemas/sled';
import type { RequestEvent } from './$types';

export const POST = api(async (event: RequestEvent) => {
	const { crewId, person } = event.locals;
	const entry = await readBody(event, newSledEntry);
	const sled = await findSled(crewId, idOf(event.params.id));
	await addSledEntry(crewId, person.id, sled.id, entry);
	return listSledEntries(crewId, sled.id);
});
