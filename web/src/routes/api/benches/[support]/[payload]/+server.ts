import { api, idOf, readBody } from '$lib/server/api';
import { changeBench, saveBench } from '$lib/server/db/benches';
import { findPayload } from '$lib/server/db/payloads';
import { findSupport } from '$lib/server/db/supports';
import { serverKind } from '$lib/server/kinds';
import { wantedChange } from '$lib/server/mergedSave';
import type { RequestEvent } from './$types';

/** The whole of it, whatever stands there: as a logged balance is put back. */
export const PUT = api(async (event: RequestEvent) => {
	const { crewId, person } = event.locals;
	const support = await findSupport(crewId, idOf(event.params.support));
	const state: unknown = await readBody(event, serverKind(support.kind).state.schema);
	const payload = await findPayload(crewId, idOf(event.params.payload));
	await saveBench(crewId, person.id, support, payload.id, state);
	return { saved: true };
});

/** Only what was changed since the page had it: what somebody else changed meanwhile stays, and the answer says so. */
export const PATCH = api(async (event: RequestEvent) => {
	const { crewId, person } = event.locals;
	const support = await findSupport(crewId, idOf(event.params.support));
	const change = await readBody(event, wantedChange<object>(serverKind(support.kind).state.schema));
	const payload = await findPayload(crewId, idOf(event.params.payload));
	return changeBench(crewId, person.id, support, payload.id, change);
});
