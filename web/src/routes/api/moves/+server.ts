import { api, readBody } from '$lib/server/api';
import { createMove } from '$lib/server/db/moves';
import { moveNew } from '$lib/server/schemas/move';

export const POST = api(async (event) => {
	const { move } = await readBody(event, moveNew);
	return createMove(event.locals.crewId, event.locals.person.id, move);
});
