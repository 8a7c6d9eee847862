import { byPlace, placeText, readPlace } from '$lib/server/db/bookPlace';
import { listBalances } from '$lib/server/db/log';
import { listMoveRuns } from '$lib/stations/moves/runRows.server';
import { unreadable } from '$lib/server/unreadable';
import { pageLoad } from '$lib/server/page';
import type { PageServerLoad } from './$types';

/** A page of the book. */
const most = 100;

export const load: PageServerLoad = ({ locals, url }) =>
	pageLoad(async () => {
		const search = url.searchParams.get('search') ?? '';
		const before = readPlace(url.searchParams.get('before'));
		const ask = { before, most: most + 1 };
		const [balances, runs] = await Promise.all([
			listBalances(locals.crewId, search, ask),
			listMoveRuns(locals.crewId, search, ask)
		]);
		const all = [
			...balances.map(({ place, ...balance }) => ({ place, balance, run: null })),
			...runs.map(({ place, move, ...run }) => ({ place, balance: null, run: { ...run, lastsS: lastsOf(move) } }))
		].sort((one, other) => byPlace(one.place, other.place));
		const lines = all.slice(0, most);
		const last = lines[lines.length - 1];
		return {
			search,
			lines: lines.map(({ balance, run }) => ({ balance, run })),
			unreadable: unreadable(),
			isFirst: before === null,
			older: all.length > most && last !== undefined ? placeText(last.place) : null
		};
	});

const lastsOf = ({ knots }: { readonly knots: readonly { readonly tS: number; readonly dwellS: number }[] }) => {
	const [first, last] = [knots[0]!, knots[knots.length - 1]!];
	return last.tS + last.dwellS - first.tS;
};
