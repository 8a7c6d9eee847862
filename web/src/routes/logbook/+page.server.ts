import { listBalances } from '$lib/server/db/log';
import { listMoveRuns } from '$lib/server/db/moveRuns';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals, url }) => {
	const search = url.searchParams.get('search') ?? '';
	const [balances, runs] = await Promise.all([
		listBalances(locals.crewId, search),
		listMoveRuns(locals.crewId, search)
	]);
	return { search, balances, runs: runs.map(({ move, ...run }) => ({ ...run, lastsS: lastsOf(move) })) };
};

const lastsOf = ({ knots }: { readonly knots: readonly { readonly tS: number; readonly dwellS: number }[] }) => {
	const [first, last] = [knots[0]!, knots[knots.length - 1]!];
	return last.tS + last.dwellS - first.tS;
};
