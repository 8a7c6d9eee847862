import { idOf } from '$lib/server/api';
import { listParts } from '$lib/server/db/parts';
import { listPayloads } from '$lib/server/db/payloads';
import { findSled } from '$lib/server/db/sleds';
import { pageLoad } from '$lib/server/page';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals, params }) =>
	pageLoad(async () => {
		const { crewId } = locals;
		const sled = await findSled(crewId, idOf(params.id));
		const [payloads, shelf] = await Promise.all([listPayloads(crewId), listParts(crewId)]);
		return { sled, payloads, shelf };
	});
