import { combineBodies, PhysicsInputError } from '@poise/core';
import type { StationStates } from '$lib/shell/stations';
import { payloadStation } from '$lib/supports/states';
import { mountedBodies, standingParts } from '$lib/model/payload';
import type { Person } from '$lib/model/person';
import { findBench } from './db/benches';
import { latestBalance } from './db/log';
import { listParts } from './db/parts';
import { findPayload } from './db/payloads';
import { findSupport } from './db/supports';
import { serverKind } from './kinds';
import { asRefusal } from './refusal';

/** The true state of every station for what this person has on the bench. */
export async function stationStates(crewId: string, person: Person): Promise<StationStates> {
	const { payloadId, supportId } = person;
	if (payloadId === null) return {};
	try {
		const [payload, shelf] = await Promise.all([findPayload(crewId, payloadId), listParts(crewId)]);
		const parts = standingParts(payload, new Map(shelf.map((part) => [part.id, part])));
		const bodies = mountedBodies(parts);
		const totals = combineBodies({ bodies: bodies.map(({ body }) => body) });
		const states: StationStates = { payload: payloadStation(payload.placements.length, totals) };
		if (supportId === null) return states;
		const [support, state, logged] = await Promise.all([
			findSupport(crewId, supportId),
			findBench(crewId, supportId, payload.id),
			latestBalance(crewId, supportId, payload.id)
		]);
		if (state === null) return states;
		return { ...states, ...serverKind(support.kind).stations({ support, payload, bodies, state }, logged) };
	} catch (thrown) {
		const { code } = asRefusal(thrown);
		if (code === 'databaseAway') throw thrown;
		// Deleted meanwhile, or a build with nothing on it: the tubes stand empty and the page says the rest. Anything else is
		// a fault of ours or of what is stored: the day line must not close the page, and must not hide it either.
		if (code !== 'notFound' && !(thrown instanceof PhysicsInputError))
			console.error(`day line of payload ${payloadId} on support ${supportId ?? 'none'}:`, thrown);
		return {};
	}
}
