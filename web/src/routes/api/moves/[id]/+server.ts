import { api, idOf, readBody } from '$lib/server/api';
import { deleteMove, findMove, saveMove } from '$lib/server/db/moves';
import { moveSave } from '$lib/server/schemas/move';
import type { RequestEvent } from './$types';

export const GET = api(({ locals, params }: RequestEvent) => findMove(locals.crewId, idOf(params.id)));

export const PUT = api(async (event: RequestEvent) => {
	const { crewId, person } = event.locals;
	const { version, move } = await readBody(event, moveSave);
	return saveMove(crewId, person.id, idOf(event.params.id), version, move);
});

export const DELETE = api(({ locals, params }: RequestEvent) => deleteMove(locals.crewId, idOf(params.id)));
