import type { Carrying } from '$lib/model/carrying';
import type { Person } from '$lib/model/person';
import { supportKinds } from '$lib/supports/registry';
import { idOf } from '$lib/server/api';
import { benchesOf } from '$lib/server/db/benches';
import { listHeads } from '$lib/server/db/heads';
import { findMove } from './rows.server';
import { listMoveRuns } from './runRows.server';
import { listSupportsOf } from '$lib/server/db/supports';
import { findVenue, listVenueNames } from '$lib/server/db/venues';
import { drawnCameras } from '$lib/server/drawnCameras';
import { serverKind } from '$lib/server/kinds';
import { Refusal } from '$lib/server/refusal';

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
