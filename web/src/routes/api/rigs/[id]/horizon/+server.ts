import { api, idOf, readBody } from '$lib/server/api';
import { addHorizonEntry, deleteHorizonEntry, listHorizon } from '$lib/server/db/horizon';
import { findRig } from '$lib/server/db/rigs';
import { newHorizonEntry } from '$lib/server/schemas/measurement';
import type { RequestEvent } from './$types';

export const GET = api((event: RequestEvent) => listHorizon(event.locals.crewId, idOf(event.params.id)));

export const POST = api(async (event: RequestEvent) => {
	const { crewId, person } = event.locals;
	const rig = await findRig(crewId, idOf(event.params.id));
	await addHorizonEntry(crewId, person.id, rig.id, await readBody(event, newHorizonEntry));
	return listHorizon(crewId, rig.id);
});

export const DELETE = api(async (event: RequestEvent) => {
	const { crewId } = event.locals;
	const rigId = idOf(event.params.id);
	await deleteHorizonEntry(crewId, rigId, idOf(event.url.searchParams.get('entry') ?? undefined));
	return listHorizon(crewId, rigId);
});
