import { countLiveHeads } from '$lib/server/db/liveHeads';
import { stationStates } from '$lib/server/stationStates';
import { pageLoad } from '$lib/server/page';
import type { LayoutServerLoad } from './$types';

export const load: LayoutServerLoad = ({ locals, depends }) =>
	pageLoad(async () => {
		depends('poise:stations');
		const { crewId, crewName, person, people } = locals;
		const [stations, liveHeads] = await Promise.all([stationStates(crewId, person), countLiveHeads(crewId)]);
		return { crewName, person, people, stations, liveHeads };
	});
