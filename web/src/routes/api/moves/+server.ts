import { api, readBody } from '$lib/server/api';
import { createMove, listMoves } from '$lib/stations/moves/rows.server';
import { moveNew } from '$lib/stations/moves/schemas.server';

export const GET = api(({ locals }) => listMoves(locals.crewId));

export const POST = api(async (event) => {
	const { move } = await readBody(event, moveNew);
	return createMove(event.locals.crewId, event.locals.person.id, move);
});
