import { listPeople } from '$lib/server/db/people';
import { stationStates } from '$lib/server/stationStates';
import type { LayoutServerLoad } from './$types';

export const load: LayoutServerLoad = async ({ locals, depends }) => {
	depends('poise:stations');
	const { crewId, crewName, person } = locals;
	const [people, stations] = await Promise.all([listPeople(crewId), stationStates(crewId, person)]);
	return { crewName, person, people, stations };
};
