import { listRigs } from '$lib/server/db/rigs';
import { pageLoad } from '$lib/server/page';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals }) => pageLoad(async () => ({ rigs: await listRigs(locals.crewId) }));
