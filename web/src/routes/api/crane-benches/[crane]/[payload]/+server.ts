import { api, idOf, readBody } from '$lib/server/api';
import { findPayload } from '$lib/server/db/payloads';
import { findCrane, saveCraneBench } from '$lib/server/db/cranes';
import { craneBenchState } from '$lib/server/schemas/crane';
import type { RequestEvent } from './$types';

export const PUT = api(async (event: RequestEvent) => {
	const { crewId, person } = event.locals;
	const state = await readBody(event, craneBenchState);
	const [crane, payload] = [
		await findCrane(crewId, idOf(event.params.crane)),
		await findPayload(crewId, idOf(event.params.payload))
	];
	await saveCraneBench(crewId, person.id, crane.id, payload.id, state);
	return { saved: true };
});
