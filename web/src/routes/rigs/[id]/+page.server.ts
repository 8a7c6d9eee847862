import { idOf } from '$lib/server/api';
import { listParts } from '$lib/server/db/parts';
import { listPayloads } from '$lib/server/db/payloads';
import { findRig } from '$lib/server/db/rigs';
import { pageLoad } from '$lib/server/page';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals, params }) =>
	pageLoad(async () => {
		const { crewId } = locals;
		const rig = await findRig(crewId, idOf(params.id));
		const [payloads, shelf] = await Promise.all([listPayloads(crewId), listParts(crewId)]);
		return { rig, payloads, shelf };
	});
