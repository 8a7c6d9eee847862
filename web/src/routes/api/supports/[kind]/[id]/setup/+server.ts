import { api, idOf, readBody } from '$lib/server/api';
import { changeSetup } from '$lib/server/db/supportNotes';
import { findSupport } from '$lib/server/db/supports';
import { serverKind } from '$lib/server/kinds';
import { wantedChange } from '$lib/server/mergedSave';
import { Refusal } from '$lib/server/refusal';
import type { RequestEvent } from './$types';

/**
 * How the person who is working sets this support up for themselves: only what was changed since the page had it. What they changed on
 * another screen meanwhile stays, and the answer says so.
 */
export const PATCH = api(async (event: RequestEvent) => {
	const { crewId, person } = event.locals;
	const as = serverKind(event.params.kind).setup;
	if (as === undefined) throw new Refusal('notFound', `A ${event.params.kind} is not set up for one person.`);
	const change = await readBody(event, wantedChange<object>(as.schema));
	return changeSetup(crewId, await findSupport(crewId, idOf(event.params.id), event.params.kind), person, change);
});
