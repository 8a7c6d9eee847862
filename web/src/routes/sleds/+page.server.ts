import { listSleds } from '$lib/server/db/sleds';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals }) => ({ sleds: await listSleds(locals.crewId) });
