import { idOf } from '$lib/server/api';
import { findBalance, listBalances } from '$lib/server/db/balances';
import { pageLoad } from '$lib/server/page';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals: { crewId }, url }) =>
	pageLoad(async () => {
		const lines = await listBalances(crewId, '');
		// Two of one rig compare best: the newest pair of one, unless the person chose.
		const pair = lines.flatMap((line, index) => {
			const other = lines.slice(index + 1).find(({ rigName }) => rigName === line.rigName);
			return other === undefined ? [] : [[line.id, other.id] as const];
		})[0] ?? [lines[0]?.id, lines[1]?.id];
		const a = url.searchParams.get('a') ?? pair[0];
		const b = url.searchParams.get('b') ?? pair[1];
		return {
			lines,
			a: a === undefined ? null : await findBalance(crewId, idOf(a)),
			b: b === undefined ? null : await findBalance(crewId, idOf(b))
		};
	});
