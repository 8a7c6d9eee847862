import { api } from '$lib/server/api';
import { listRigs } from '$lib/server/db/rigs';

export const GET = api(({ locals }) => listRigs(locals.crewId));
