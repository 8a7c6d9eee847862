import { listParts } from '$lib/server/db/parts';
import { listRigs } from '$lib/server/db/rigs';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals }) => {
	const [shelf, rigs] = await Promise.all([listParts(locals.crewId), listRigs(locals.crewId)]);
	return { shelf, rigs };
};
