import { api, idOf } from '$lib/server/api';
import { takeBack } from '$lib/server/db/gearChanges';
import type { RequestEvent } from './$types';

/** Takes a change of the gear back. */
export const DELETE = api((event: RequestEvent) =>
	takeBack(event.locals.crewId, event.locals.person.id, idOf(event.params.id))
);
