import type { Carrying } from '$lib/model/carrying';
import type { Person } from '$lib/model/person';
import { supportKinds } from '$lib/supports/registry';
import { idOf } from './api';
import { findBench } from './db/benches';
import { listHeads } from './db/heads';
import { findMove } from './db/moves';
import { listMoveRuns } from './db/moveRuns';
import { listSupports } from './db/supports';
import { findVenue, listVenues } from './db/venues';
import { drawnCameras } from './drawnCameras';
import { serverKind } from './kinds';
import { Refusal } from './refusal';

/** What of the shelf can carry a camera through a move, as its bench stands; and what can be carried. */
export async function gearForMoves(crewId: string, person: Person) {
	const kinds = supportKinds.filter(({ key }) => serverKind(key).carrying !== undefined);
	const [lists, heads, cameras] = await Promise.all([
		Promise.all(kinds.map(({ key }) => listSupports(crewId, key))),
		listHeads(crewId),
		drawnCameras(crewId)
	]);
	const carriers = await Promise.all(
		lists.flat().map(async (support) => {
			const kind = serverKind(support.kind);
			const state = person.payloadId === null ? null : await findBench(crewId, support.id, person.payloadId);
			const carrying = kind.carrying!(support, state ?? kind.fresh(support)) as Carrying;
			const { id, kind: key, name, leastPayloadKg, greatestPayloadKg } = support;
			return { id, kind: key, name, leastPayloadKg, greatestPayloadKg, carrying };
		})
	);
	return { carriers, heads: heads.map(({ id, name, head }) => ({ id, name, head })), cameras };
}

/** Everything that the sheets of one move show. */
export async function moveData(crewId: string, person: Person, params: { readonly id: string }) {
	const saved = await findMove(crewId, idOf(params.id));
	const [gear, venues, runs] = await Promise.all([
		gearForMoves(crewId, person),
		listVenues(crewId),
		listMoveRuns(crewId, '', { moveId: saved.id })
	]);
	const { venueId } = saved.move;
	const venue =
		venueId === null
			? null
			: await findVenue(crewId, venueId).catch((thrown: unknown) => {
					if (thrown instanceof Refusal && thrown.code === 'notFound') return null;
					throw thrown;
				});
	return {
		...saved,
		gear,
		venue,
		venues: venues.map(({ id, name }) => ({ id, name })),
		ran: runs
			.slice(0, 5)
			.map(({ id, at, personName, seen, note, struck }) => ({ id, at, personName, seen, note, struck }))
	};
}
