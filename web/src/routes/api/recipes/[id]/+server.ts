import { api, idOf, readBody } from '$lib/server/api';
import { strikeRecipe } from '$lib/server/db/recipes';
import { recipeChange } from '$lib/server/schemas/feel';
import type { RequestEvent } from './$types';

export const PATCH = api(async (event: RequestEvent) => {
	const { struck } = await readBody(event, recipeChange);
	return strikeRecipe(event.locals.crewId, idOf(event.params.id), struck);
});
