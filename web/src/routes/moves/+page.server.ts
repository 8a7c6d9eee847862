import { redirect } from '@sveltejs/kit';
import { listMoves } from '$lib/stations/moves/rows.server';
import { gearForMoves } from '$lib/stations/moves/data.server';
import { listVenues } from '$lib/server/db/venues';
import { movePath } from '$lib/stations/moves/address';
import { unreadable } from '$lib/server/unreadable';
import { pageLoad } from '$lib/server/page';
import type { PageServerLoad } from './$types';

/** Every move, the last changed first; without `all` the last one goes on. With `with` and `head` it is begun on what of the shelf. */
export const load: PageServerLoad = ({ locals, url }) =>
	pageLoad(async () => {
		const [moves, venues] = await Promise.all([listMoves(locals.crewId), listVenues(locals.crewId)]);
		const [last] = moves;
		if (last !== undefined && !url.searchParams.has('all')) redirect(307, movePath(last.id));
		const [carrierId, headId] = [url.searchParams.get('with'), url.searchParams.get('head')];
		const gear = carrierId === null && headId === null ? null : await gearForMoves(locals.crewId, locals.person);
		const begun = {
			carrier: gear?.carriers.find(({ id }) => id === carrierId) ?? null,
			head: gear?.heads.find(({ id }) => id === headId) ?? null,
			camera: gear?.cameras.find(({ id }) => id === locals.person.payloadId) ?? null
		};
		return { moves, venues, begun, unreadable: unreadable() };
	});
