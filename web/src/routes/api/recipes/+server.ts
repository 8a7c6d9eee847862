import { api, readBody } from '$lib/server/api';
import { createRecipe, listRecipes } from '$lib/server/db/recipes';
import { newRecipe } from '$lib/server/schemas/feel';

export const GET = api(({ locals, url }) => listRecipes(locals.crewId, url.searchParams.get('find') ?? ''));

export const POST = api(async (event) =>
	createRecipe(event.locals.crewId, event.locals.person.id, await readBody(event, newRecipe))
);
