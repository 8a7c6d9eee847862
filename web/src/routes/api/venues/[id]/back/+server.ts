import { api, idOf } from '$lib/server/api';
import { bringBackVenue } from '$lib/server/db/venues';
import type { RequestEvent } from './$types';

/** A deleted venue as it was, with what stood there. */
export const POST = api(({ locals, params }: RequestEvent) =>
	bringBackVenue(locals.crewId, locals.person.id, idOf(params.id))
);
