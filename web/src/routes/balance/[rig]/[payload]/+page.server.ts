import { idOf } from '$lib/server/api';
import { findBench } from '$lib/server/db/benches';
import { listParts } from '$lib/server/db/parts';
import { findPayload, listPayloads } from '$lib/server/db/payloads';
import { listRigs } from '$lib/server/db/rigs';
import { pageLoad } from '$lib/server/page';
import { Refusal } from '$lib/server/refusal';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals, params }) =>
	pageLoad(async () => {
		const { crewId } = locals;
		const [rigId, payloadId] = [idOf(params.rig), idOf(params.payload)];
		const [rigs, payload, payloads, shelf, bench] = await Promise.all([
			listRigs(crewId),
			findPayload(crewId, payloadId),
			listPayloads(crewId),
			listParts(crewId),
			findBench(crewId, rigId, payloadId)
		]);
		const rig = rigs.find(({ id }) => id === rigId);
		if (rig === undefined) throw new Refusal('notFound', 'That rig does not exist, or was deleted.');
		const used = new Set([payload.platePartId, ...payload.placements.map(({ partId }) => partId)]);
		return {
			rig,
			payload,
			bench,
			parts: shelf.filter(({ id }) => used.has(id)),
			rigs: rigs.map(({ id, name }) => ({ id, name })),
			payloads: payloads.map(({ id, name }) => ({ id, name }))
		};
	});
