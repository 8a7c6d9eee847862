import { api, idOf, readBody } from '$lib/server/api';
import { findPayload } from '$lib/server/db/payloads';
import { findSled, saveSledBench } from '$lib/server/db/sleds';
import { sledBenchState } from '$lib/server/schemas/sled';
import type { RequestEvent } from './$types';

export const PUT = api(async (event: RequestEvent) => {
	const { crewId, person } = event.locals;
	const state = await readBody(event, sledBenchState);
	const [sled, payload] = [
		await findSled(crewId, idOf(event.params.sled)),
		await findPayload(crewId, idOf(event.params.payload))
	];
	await saveSledBench(crewId, person.id, sled.id, payload.id, state);
	return { saved: true };
});
