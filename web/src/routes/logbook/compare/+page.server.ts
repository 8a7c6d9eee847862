import { idOf } from '$lib/server/api';
import { findBalance, listBalances } from '$lib/server/db/log';
import { pageLoad } from '$lib/server/page';
import { moduleOf, ownName } from '$lib/supports/components';
import type { PageServerLoad } from './$types';

/** As many as a hand goes through. */
const most = 80;

export const load: PageServerLoad = ({ locals: { crewId, shown }, url }) =>
	pageLoad(async () => {
		const find = url.searchParams.get('find') ?? '';
		const [newest, found] = await Promise.all([
			listBalances(crewId, '', { most: most + 1 }),
			find === '' ? null : listBalances(crewId, find, { most: most + 1 })
		]);
		const lines = newest.slice(0, most);
		// Two of one support compare best: the newest pair of one, unless the person chose.
		const pair = lines.flatMap((line, index) => {
			const other = lines
				.slice(index + 1)
				.find(({ kind, supportName }) => kind === line.kind && supportName === line.supportName);
			return other === undefined ? [] : [[line.id, other.id] as const];
		})[0] ?? [lines[0]?.id, lines[1]?.id];
		const open = async (id: string | undefined) => (id === undefined ? null : findBalance(crewId, idOf(id)));
		const [a, b] = await Promise.all([
			open(url.searchParams.get('a') ?? pair[0]),
			open(url.searchParams.get('b') ?? pair[1])
		]);
		for (const { kind } of [a, b].filter((each) => each !== null))
			shown.push(moduleOf(kind, ownName(kind, 'RecordDrawing')));
		const asked = found ?? newest;
		const offered = asked.slice(0, most).map(({ id, payloadName, supportName, loggedAt }) => ({
			...{ id, payloadName, supportName, loggedAt }
		}));
		return { offered, more: asked.length > most, find, a, b };
	});
