import { listLiveHeads, listPoses } from '$lib/server/db/liveHeads';
import { listVenues } from '$lib/server/db/venues';
import { movesForDesk } from '$lib/stations/moves/forDesk.server';
import { unreadable } from '$lib/server/unreadable';
import { pageLoad } from '$lib/server/page';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals }) =>
	pageLoad(async () => {
		const { crewId } = locals;
		const [heads, poses, venues, moves] = await Promise.all([
			listLiveHeads(crewId),
			listPoses(crewId),
			listVenues(crewId),
			movesForDesk(crewId)
		]);
		return { heads, poses, venues, moves, unreadable: unreadable() };
	});
