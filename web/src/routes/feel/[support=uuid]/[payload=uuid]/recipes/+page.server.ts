import { listRecipes } from '$lib/stations/feel/recipeRows.server';
import { pageLoad } from '$lib/server/page';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals, url, depends }) =>
	pageLoad(async () => {
		depends('poise:recipes');
		const find = (url.searchParams.get('find') ?? '').slice(0, 200);
		return { recipes: await listRecipes(locals.crewId, find), find };
	});
