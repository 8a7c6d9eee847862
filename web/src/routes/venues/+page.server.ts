import { listVenues } from '$lib/server/db/venues';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals }) => ({ venues: await listVenues(locals.crewId) });
