import { api, idOf, readBody } from '$lib/server/api';
import { deleteMove, findMove, saveMove } from '$lib/stations/moves/rows.server';
import { moveSave } from '$lib/stations/moves/schemas.server';
import type { RequestEvent } from './$types';

export const GET = api(({ locals, params }: RequestEvent) => findMove(locals.crewId, idOf(params.id)));

export const PUT = api(async (event: RequestEvent) => {
	const { crewId, person } = event.locals;
	const { version, move } = await readBody(event, moveSave);
	return saveMove(crewId, person.id, idOf(event.params.id), version, move);
});

export const DELETE = api(({ locals, params }: RequestEvent) => deleteMove(locals.crewId, idOf(params.id)));
