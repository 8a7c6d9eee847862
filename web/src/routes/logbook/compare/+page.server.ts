import { idOf } from '$lib/server/api';
import type { LoggedBalance } from '$lib/model/balance';
import { findBalance, findSledBalance, listBalances } from '$lib/server/db/balances';
import { pageLoad } from '$lib/server/page';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals: { crewId }, url }) =>
	pageLoad(async () => {
		const lines = (await listBalances(crewId, '')).filter(({ kind }) => kind !== 'crane');
		// Two of one rig compare best: the newest pair of one, unless the person chose.
		const pair = lines.flatMap((line, index) => {
			const other = lines.slice(index + 1).find(({ rigName }) => rigName === line.rigName);
			return other === undefined ? [] : [[line.id, other.id] as const];
		})[0] ?? [lines[0]?.id, lines[1]?.id];
		const a = url.searchParams.get('a') ?? pair[0];
		const b = url.searchParams.get('b') ?? pair[1];
		const open = (id: string | undefined) => {
			if (id === undefined) return null;
			const kind: LoggedBalance['kind'] | undefined = lines.find((line) => line.id === id)?.kind;
			// Cranes are compared on their own page, with the present payload.
			if (kind === 'crane') return null;
			return kind === 'sled' ? findSledBalance(crewId, idOf(id)) : findBalance(crewId, idOf(id));
		};
		const [first, second] = await Promise.all([open(a), open(b)]);
		return {
			lines,
			a: first,
			b: second
		};
	});
