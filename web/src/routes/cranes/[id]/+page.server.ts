import { idOf } from '$lib/server/api';
import { findCrane } from '$lib/server/db/cranes';
import { listParts } from '$lib/server/db/parts';
import { listPayloads } from '$lib/server/db/payloads';
import { pageLoad } from '$lib/server/page';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals, params }) =>
	pageLoad(async () => {
		const { crewId } = locals;
		const crane = await findCrane(crewId, idOf(params.id));
		const [payloads, shelf] = await Promise.all([listPayloads(crewId), listParts(crewId)]);
		return { crane, payloads, shelf };
	});
