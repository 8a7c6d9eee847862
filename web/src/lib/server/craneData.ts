import { checksLeft } from '$lib/model/paper';
import { idOf } from './api';
import { findCrane, findCraneBench } from './db/cranes';
import { findPaper } from './db/papers';
import { listParts } from './db/parts';
import { findPayload, listPayloads } from './db/payloads';

/** Everything the sheets of one payload on one crane show. */
export async function craneData(crewId: string, params: { readonly crane: string; readonly payload: string }) {
	const [craneId, payloadId] = [idOf(params.crane), idOf(params.payload)];
	const [crane, payload, payloads, shelf, bench, checklist] = await Promise.all([
		findCrane(crewId, craneId),
		findPayload(crewId, payloadId),
		listPayloads(crewId),
		listParts(crewId),
		findCraneBench(crewId, craneId, payloadId),
		findPaper(crewId, payloadId, 'checklist')
	]);
	return {
		crane,
		payload,
		bench,
		checksOpen: checklist === null ? 0 : checksLeft(checklist),
		shelf,
		payloads
	};
}
