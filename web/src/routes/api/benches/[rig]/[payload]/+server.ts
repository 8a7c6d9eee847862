import { api, idOf, readBody } from '$lib/server/api';
import { saveBench } from '$lib/server/db/benches';
import { findPayload } from '$lib/server/db/payloads';
import { findRig } from '$lib/server/db/rigs';
import { benchState } from '$lib/server/schemas/bench';
import type { RequestEvent } from './$types';

export const PUT = api(async (event: RequestEvent) => {
	const { crewId, person } = event.locals;
	const state = await readBody(event, benchState);
	const [rig, payload] = [
		await findRig(crewId, idOf(event.params.rig)),
		await findPayload(crewId, idOf(event.params.payload))
	];
	await saveBench(crewId, person.id, rig.id, payload.id, state);
	return { saved: true };
});
