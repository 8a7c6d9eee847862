import { checksLeft } from '$lib/model/paper';
import { idOf } from './api';
import { findBench } from './db/benches';
import { findPaper } from './db/papers';
import { listParts } from './db/parts';
import { findPayload } from './db/payloads';
import { findRig } from './db/rigs';

/** Everything a sheet of one payload on one rig shows. */
export async function benchData(crewId: string, params: { readonly rig: string; readonly payload: string }) {
	const [rigId, payloadId] = [idOf(params.rig), idOf(params.payload)];
	const [rig, payload, shelf, bench, checklist] = await Promise.all([
		findRig(crewId, rigId),
		findPayload(crewId, payloadId),
		listParts(crewId),
		findBench(crewId, rigId, payloadId),
		findPaper(crewId, payloadId, 'checklist')
	]);
	const used = new Set([payload.platePartId, ...payload.placements.map(({ partId }) => partId)]);
	return {
		rig,
		payload,
		bench,
		checksOpen: checklist === null ? 0 : checksLeft(checklist),
		parts: shelf.filter(({ id }) => used.has(id))
	};
}
