import { venueStore } from '$lib/server/db/venues';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals }) => ({ venues: await venueStore.list(locals.crewId) });
