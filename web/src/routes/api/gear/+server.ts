import { api, readBody } from '$lib/server/api';
import { changeGear, listGearChanges, type WantedChange } from '$lib/server/db/gearChanges';
import { gearFigure } from '$lib/server/schemas/measurement';

export const GET = api(({ locals }) => listGearChanges(locals.crewId));

/** Takes a measured or learned figure over into the gear. */
export const POST = api(async (event) =>
	changeGear(event.locals.crewId, event.locals.person.id, await readBody<WantedChange>(event, gearFigure))
);
