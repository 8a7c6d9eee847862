import { idOf } from '$lib/server/api';
import { findHead } from '$lib/server/db/heads';
import { pageLoad } from '$lib/server/page';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals, params }) =>
	pageLoad(async () => ({ head: await findHead(locals.crewId, idOf(params.id)) }));
