import { api, idOf, readBody } from '$lib/server/api';
import { takeLessonBack } from '$lib/server/db/gearChanges';
import { takeOver } from '$lib/stations/logbook/learn.server';
import { takingOver } from '$lib/server/schemas/measurement';

/** Takes figures that the logbook teaches over into the gear. */
export const POST = api(async (event) =>
	takeOver(event.locals.crewId, event.locals.person.id, await readBody(event, takingOver))
);

/** Takes all that was taken over from one lesson back. */
export const DELETE = api(({ locals, url }) =>
	takeLessonBack(locals.crewId, locals.person.id, idOf(url.searchParams.get('lesson') ?? undefined))
);
