import { checksLeft } from '$lib/model/paper';
import { idOf } from './api';
import { findPaper } from './db/papers';
import { listParts } from './db/parts';
import { findPayload, listPayloads } from './db/payloads';
import { findSled, findSledBench, findWorn, listSledEntries } from './db/sleds';

/** Everything the sheets of one payload on one sled show. */
export async function sledData(
	crewId: string,
	personId: string,
	params: { readonly sled: string; readonly payload: string }
) {
	const [sledId, payloadId] = [idOf(params.sled), idOf(params.payload)];
	const [sled, payload, payloads, shelf, bench, checklist, worn, entries] = await Promise.all([
		findSled(crewId, sledId),
		findPayload(crewId, payloadId),
		listPayloads(crewId),
		listParts(crewId),
		findSledBench(crewId, sledId, payloadId),
		findPaper(crewId, payloadId, 'checklist'),
		findWorn(crewId, sledId, personId),
		listSledEntries(crewId, sledId)
	]);
	return {
		sled,
		payload,
		bench,
		worn,
		entries,
		checksOpen: checklist === null ? 0 : checksLeft(checklist),
		shelf,
		payloads
	};
}
