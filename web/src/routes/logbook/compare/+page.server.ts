import { idOf } from '$lib/server/api';
import { findBalance, listBalances } from '$lib/server/db/balances';
import { pageLoad } from '$lib/server/page';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals: { crewId }, url }) =>
	pageLoad(async () => {
		const lines = await listBalances(crewId, '');
		const [first, second] = [url.searchParams.get('a'), url.searchParams.get('b')];
		const a = first ?? lines[0]?.id;
		// The other is the next one on the same rig, where there is one: those compare best.
		const rigOf = lines.find(({ id }) => id === a)?.rigName;
		const b =
			second ??
			(lines.find(({ id, rigName }) => id !== a && rigName === rigOf) ?? lines.find(({ id }) => id !== a))?.id;
		return {
			lines,
			a: a === undefined ? null : await findBalance(crewId, idOf(a)),
			b: b === undefined ? null : await findBalance(crewId, idOf(b))
		};
	});
