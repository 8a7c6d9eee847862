import { benchData } from '$lib/server/benchData';
import { pageLoad } from '$lib/server/page';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals, params }) => pageLoad(() => benchData(locals.crewId, params));
