import { api, idOf, readBody } from '$lib/server/api';
import { saveBench } from '$lib/server/db/benches';
import { findPayload } from '$lib/server/db/payloads';
import { findSupport } from '$lib/server/db/supports';
import { serverKind } from '$lib/server/kinds';
import type { RequestEvent } from './$types';

export const PUT = api(async (event: RequestEvent) => {
	const { crewId, person } = event.locals;
	const support = await findSupport(crewId, idOf(event.params.support));
	const state: unknown = await readBody(event, serverKind(support.kind).state.schema);
	const payload = await findPayload(crewId, idOf(event.params.payload));
	await saveBench(crewId, person.id, support, payload.id, state);
	return { saved: true };
});
