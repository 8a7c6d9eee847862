import { listBalances } from '$lib/server/db/log';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals, url }) => {
	const search = url.searchParams.get('search') ?? '';
	return { search, balances: await listBalances(locals.crewId, search) };
};
