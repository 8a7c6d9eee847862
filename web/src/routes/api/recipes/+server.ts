import { api, readBody } from '$lib/server/api';
import { createRecipe, listRecipes } from '$lib/stations/feel/recipeRows.server';
import { newRecipe } from '$lib/stations/feel/schemas.server';

export const GET = api(({ locals, url }) => listRecipes(locals.crewId, url.searchParams.get('find') ?? ''));

export const POST = api(async (event) =>
	createRecipe(event.locals.crewId, event.locals.person.id, await readBody(event, newRecipe))
);
