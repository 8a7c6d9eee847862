import { listHeads } from '$lib/server/db/heads';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals }) => ({ heads: await listHeads(locals.crewId) });
