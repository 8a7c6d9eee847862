import { checksLeft } from '$lib/model/paper';
import { idOf } from './api';
import { findBench } from './db/benches';
import { findPaper } from './db/papers';
import { listParts } from './db/parts';
import { findPayload, listPayloads } from './db/payloads';
import { listRigs } from './db/rigs';
import { Refusal } from './refusal';

/** Everything a sheet of one payload on one rig shows. */
export async function benchData(crewId: string, params: { readonly rig: string; readonly payload: string }) {
	const [rigId, payloadId] = [idOf(params.rig), idOf(params.payload)];
	const [rigs, payload, payloads, shelf, bench, checklist] = await Promise.all([
		listRigs(crewId),
		findPayload(crewId, payloadId),
		listPayloads(crewId),
		listParts(crewId),
		findBench(crewId, rigId, payloadId),
		findPaper(crewId, payloadId, 'checklist')
	]);
	const rig = rigs.find(({ id }) => id === rigId);
	if (rig === undefined) throw new Refusal('notFound', 'That rig does not exist, or was deleted.');
	const used = new Set([payload.platePartId, ...payload.placements.map(({ partId }) => partId)]);
	return {
		rig,
		payload,
		bench,
		checksOpen: checklist === null ? 0 : checksLeft(checklist),
		parts: shelf.filter(({ id }) => used.has(id)),
		rigs: rigs.map(({ id, name }) => ({ id, name })),
		payloads: payloads.map(({ id, name }) => ({ id, name }))
	};
}
