import { countLiveHeads } from '$lib/server/db/liveHeads';
import { findCrewWithPeople } from '$lib/server/db/people';
import { stationStates } from '$lib/server/stationStates';
import { pageLoad } from '$lib/server/page';
import type { LayoutServerLoad } from './$types';

export const load: LayoutServerLoad = ({ locals, depends }) =>
	pageLoad(async () => {
		depends('poise:stations');
		const { crewId, crewName, person } = locals;
		const [crew, stations, liveHeads] = await Promise.all([
			findCrewWithPeople(),
			stationStates(crewId, person),
			countLiveHeads(crewId)
		]);
		return { crewName, person, people: crew?.people ?? [], stations, liveHeads };
	});
