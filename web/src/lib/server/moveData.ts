import type { Carrying } from '$lib/model/carrying';
import type { Person } from '$lib/model/person';
import { supportKinds } from '$lib/supports/registry';
import { idOf } from './api';
import { benchesOf } from './db/benches';
import { listHeads } from './db/heads';
import { findMove } from './db/moves';
import { listMoveRuns } from './db/moveRuns';
import { listSupportsOf } from './db/supports';
import { findVenue, listVenueNames } from './db/venues';
import { drawnCameras } from './drawnCameras';
import { serverKind } from './kinds';
import { Refusal } from './refusal';

/** What of the shelf can carry a camera through a move, as its bench stands; and what can be carried. */
export async function gearForMoves(crewId: string, person: Person) {
	const kinds = supportKinds.map(({ key }) => key).filter((key) => serverKind(key).carrying !== undefined);
	const [supports, heads, cameras, stands] = await Promise.all([
		listSupportsOf(crewId, kinds),
		listHeads(crewId),
		drawnCameras(crewId),
		person.payloadId === null ? new Map<string, unknown>() : benchesOf(crewId, person.payloadId)
	]);
	const carriers = supports.map((support) => {
		const kind = serverKind(support.kind);
		const carrying = kind.carrying!(support, stands.get(support.id) ?? kind.fresh(support)) as Carrying;
		const { id, kind: key, name, leastPayloadKg, greatestPayloadKg } = support;
		return { id, kind: key, name, leastPayloadKg, greatestPayloadKg, carrying };
	});
	return { carriers, heads: heads.map(({ id, name, head }) => ({ id, name, head })), cameras };
}

/** Everything that the sheets of one move show. */
export async function moveData(crewId: string, person: Person, params: { readonly id: string }) {
	const saved = await findMove(crewId, idOf(params.id));
	const [gear, venues, runs] = await Promise.all([
		gearForMoves(crewId, person),
		listVenueNames(crewId),
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
		venues,
		ran: runs
			.slice(0, 5)
			.map(({ id, at, personName, seen, note, struck }) => ({ id, at, personName, seen, note, struck }))
	};
}
