import { api, idOf, readBody } from '$lib/server/api';
import { strikeRecipe } from '$lib/stations/feel/recipeRows.server';
import { recipeChange } from '$lib/stations/feel/schemas.server';
import type { RequestEvent } from './$types';

export const PATCH = api(async (event: RequestEvent) => {
	const { struck } = await readBody(event, recipeChange);
	return strikeRecipe(event.locals.crewId, idOf(event.params.id), struck);
});
