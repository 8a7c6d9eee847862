import { combineBodies, PhysicsInputError } from '@poise/core';
import { mountedBodies, standingParts } from '$lib/model/payload';
import type { Person } from '$lib/model/person';
import type { StationState, StationStates } from '$lib/shell/stations';
import { payloadStation } from '$lib/supports/states';
import { learnedTogether } from './benchData';
import { findBench } from './db/benches';
import { latestBalance } from './db/log';
import { listPartsOf } from './db/parts';
import { findPayload } from './db/payloads';
import { findSupport } from './db/supports';
import { serverKind } from './kinds';
import { asRefusal } from './refusal';
import type { Asking } from './station';
import { serverStations } from './stations';
import { sayTrouble } from './trouble';
import { hasItsParts } from './unreadable';

/** The true state of every station for what this person has on the bench. */
export async function stationStates(crewId: string, person: Person): Promise<StationStates> {
	const { states, standing } = await benchStates(crewId, person);
	const own = await Promise.all(
		serverStations.map(async ([key, { state }]) =>
			state === undefined ? null : ([key, await quietly(key, () => state({ crewId, person, standing }))] as const)
		)
	);
	return {
		...states,
		...Object.fromEntries(own.filter((each) => each !== null && each[1] !== null) as [string, StationState][])
	};
}

/** What cannot be worked out, or read, leaves a station's own vial empty: the day line must not close the page, and must not hide it. */
async function quietly(key: string, state: () => Promise<StationState | null>): Promise<StationState | null> {
	try {
		return await state();
	} catch (thrown) {
		if (asRefusal(thrown).code === 'databaseAway') throw thrown;
		if (!(thrown instanceof PhysicsInputError)) sayTrouble(`day line of ${key}`, thrown);
		return null;
	}
}

interface BenchStates {
	readonly states: StationStates;
	readonly standing: Asking['standing'];
}
async function benchStates(crewId: string, person: Person): Promise<BenchStates> {
	const { payloadId, supportId } = person;
	const none: BenchStates = { states: {}, standing: null };
	if (payloadId === null) return none;
	try {
		const payload = await findPayload(crewId, payloadId);
		const shelf = await listPartsOf(crewId, payload);
		if (!hasItsParts(payload, shelf)) return none;
		const parts = standingParts(payload, new Map(shelf.map((part) => [part.id, part])));
		const bodies = mountedBodies(parts);
		const totals = combineBodies({ bodies: bodies.map(({ body }) => body) });
		const states: StationStates = { payload: payloadStation(payload.placements.length, totals) };
		if (supportId === null) return { ...none, states };
		const [support, state, logged] = await Promise.all([
			findSupport(crewId, supportId),
			findBench(crewId, supportId, payload.id),
			latestBalance(crewId, supportId, payload.id)
		]);
		if (state === null) return { ...none, states };
		const learned = await learnedTogether(crewId, support, shelf);
		const standing = { support, payload, bodies, state, learned };
		return { states: { ...states, ...serverKind(support.kind).stations(standing, logged) }, standing };
	} catch (thrown) {
		const { code } = asRefusal(thrown);
		if (code === 'databaseAway') throw thrown;
		// Deleted meanwhile, or a build with nothing on it: the vials stand empty and the page says the rest. Anything else is
		// a fault of ours or of what is stored.
		if (code !== 'notFound' && !(thrown instanceof PhysicsInputError))
			sayTrouble(`day line of payload ${payloadId} on support ${supportId ?? 'none'}`, thrown);
		return none;
	}
}
