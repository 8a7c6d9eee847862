import { api } from '$lib/server/api';
import { listLiveHeads } from '$lib/server/db/liveHeads';

export const GET = api(({ locals }) => listLiveHeads(locals.crewId));
