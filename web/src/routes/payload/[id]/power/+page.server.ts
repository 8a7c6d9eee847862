import { idOf } from '$lib/server/api';
import { findPaper } from '$lib/server/db/papers';
import { listParts } from '$lib/server/db/parts';
import { findPayload } from '$lib/server/db/payloads';
import { pageLoad } from '$lib/server/page';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals, params }) =>
	pageLoad(async () => {
		const payload = await findPayload(locals.crewId, idOf(params.id));
		const [paper, shelf] = await Promise.all([findPaper(locals.crewId, payload.id, 'power'), listParts(locals.crewId)]);
		return { payload, paper, shelf };
	});
