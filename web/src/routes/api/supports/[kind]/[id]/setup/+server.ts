import { api, idOf, readBody } from '$lib/server/api';
import { saveSetup } from '$lib/server/db/supportNotes';
import { findSupport } from '$lib/server/db/supports';
import { serverKind } from '$lib/server/kinds';
import { Refusal } from '$lib/server/refusal';
import type { RequestEvent } from './$types';

/** How the person who is working sets this support up for themselves. */
export const PUT = api(async (event: RequestEvent) => {
	const { crewId, person } = event.locals;
	const as = serverKind(event.params.kind).setup;
	if (as === undefined) throw new Refusal('notFound', `A ${event.params.kind} is not set up for one person.`);
	const setup: unknown = await readBody(event, as.schema);
	await saveSetup(crewId, await findSupport(crewId, idOf(event.params.id), event.params.kind), person.id, setup);
	return { saved: true };
});
