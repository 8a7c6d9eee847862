import { idOf } from '$lib/server/api';
import { listParts } from '$lib/server/db/parts';
import { findPayload, listPayloads } from '$lib/server/db/payloads';
import { listSupports } from '$lib/server/db/supports';
import type { GimbalGeometry } from '$lib/supports/gimbal/model';
import { pageLoad } from '$lib/server/page';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals, params, url }) =>
	pageLoad(async () => {
		const { crewId, person } = locals;
		const [payload, payloads, shelf, rigs] = await Promise.all([
			findPayload(crewId, idOf(params.id)),
			listPayloads(crewId),
			listParts(crewId),
			listSupports<GimbalGeometry>(crewId, 'gimbal')
		]);
		const wanted = [url.searchParams.get('rig'), person.supportId];
		const rig = wanted.map((id) => rigs.find((each) => each.id === id)).find((each) => each !== undefined) ?? rigs[0];
		return { payload, payloads, shelf, rigs: rigs.map(({ id, name }) => ({ id, name })), rig: rig ?? null };
	});
