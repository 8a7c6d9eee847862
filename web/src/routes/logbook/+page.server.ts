import { listBalances } from '$lib/server/db/balances';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals, url }) => {
	const search = url.searchParams.get('search') ?? '';
	return { search, balances: await listBalances(locals.crewId, search) };
};
