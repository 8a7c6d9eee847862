import { listCranes } from '$lib/server/db/cranes';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals }) => ({ cranes: await listCranes(locals.crewId) });
