import { idOf } from '$lib/server/api';
import { findBalance, findCraneBalance, findSledBalance, listBalances } from '$lib/server/db/balances';
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
		const find = { gimbal: findBalance, sled: findSledBalance, crane: findCraneBalance };
		const open = (id: string | undefined) =>
			id === undefined ? null : find[lines.find((line) => line.id === id)?.kind ?? 'gimbal'](crewId, idOf(id));
		const [first, second] = await Promise.all([open(a), open(b)]);
		return {
			lines,
			a: first,
			b: second
		};
	});
