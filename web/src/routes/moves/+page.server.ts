import { redirect } from '@sveltejs/kit';
import { listMoves } from '$lib/server/db/moves';
import { listVenues } from '$lib/server/db/venues';
import { movePath } from '$lib/stations/moves/address';
import { unreadable } from '$lib/server/unreadable';
import { pageLoad } from '$lib/server/page';
import type { PageServerLoad } from './$types';

/** Every move, the last changed first; without `all` the last one goes on. */
export const load: PageServerLoad = ({ locals, url }) =>
	pageLoad(async () => {
		const [moves, venues] = await Promise.all([listMoves(locals.crewId), listVenues(locals.crewId)]);
		const [last] = moves;
		if (last !== undefined && !url.searchParams.has('all')) redirect(307, movePath(last.id));
		return { moves, venues, unreadable: unreadable() };
	});
