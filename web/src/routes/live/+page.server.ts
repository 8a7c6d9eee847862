import { listLiveHeads, listPoses } from '$lib/server/db/liveHeads';
import { listMoves } from '$lib/server/db/moves';
import { listVenues } from '$lib/server/db/venues';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals: { crewId } }) => {
	const [heads, poses, venues, moves] = await Promise.all([
		listLiveHeads(crewId),
		listPoses(crewId),
		listVenues(crewId),
		listMoves(crewId)
	]);
	return { heads, poses, venues, moves: moves.map(({ id, move }) => ({ id, name: move.name })) };
};
