import { combineBodies, PhysicsInputError } from '@poise/core';
import { motorsOf } from '$lib/stations/feel/figures';
import { stationOf } from '$lib/stations/feel/wishes';
import { freshSheet } from '$lib/stations/feel/fresh';
import { savedStation } from '$lib/stations/moves/station';
import { noShots, shotOf } from '$lib/stations/feel/shots';
import type { StationState, StationStates } from '$lib/shell/stations';
import { payloadStation } from '$lib/supports/states';
import { mountedBodies, standingParts } from '$lib/model/payload';
import type { Person } from '$lib/model/person';
import { learnedTogether } from './benchData';
import { findBench } from './db/benches';
import { findFeelPaper } from './db/feel';
import { latestBalance } from './db/log';
import { latestMove } from './db/moves';
import { listPartsOf } from './db/parts';
import { findPayload } from './db/payloads';
import { findSupport } from './db/supports';
import { serverKind } from './kinds';
import { asRefusal } from './refusal';
import { hasItsParts } from './unreadable';
import { sayTrouble } from './trouble';

/** The true state of every station for what this person has on the bench. */
export async function stationStates(crewId: string, person: Person): Promise<StationStates> {
	const [bench, moves] = await Promise.all([benchStates(crewId, person), moveState(crewId)]);
	return moves === null ? bench : { ...bench, moves };
}

/** Of the move that was changed last; null: there is none, or it cannot be read. */
async function moveState(crewId: string): Promise<StationState | null> {
	try {
		const last = await latestMove(crewId);
		return last === null ? null : savedStation(last.move);
	} catch (thrown) {
		if (asRefusal(thrown).code === 'databaseAway') throw thrown;
		sayTrouble('day line of the last move', thrown);
		return null;
	}
}

async function benchStates(crewId: string, person: Person): Promise<StationStates> {
	const { payloadId, supportId } = person;
	if (payloadId === null) return {};
	try {
		const payload = await findPayload(crewId, payloadId);
		const shelf = await listPartsOf(crewId, payload);
		if (!hasItsParts(payload, shelf)) return {};
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
		const learned = await learnedTogether(crewId, support, shelf);
		const standing = { support, payload, bodies, state, learned };
		const feel = await feelState(crewId, standing).catch((thrown: unknown) => {
			// Figures that cannot be worked out leave this tube empty, not all of them.
			if (thrown instanceof PhysicsInputError) return null;
			throw thrown;
		});
		return { ...states, ...serverKind(support.kind).stations(standing, logged), ...(feel === null ? {} : { feel }) };
	} catch (thrown) {
		const { code } = asRefusal(thrown);
		if (code === 'databaseAway') throw thrown;
		// Deleted meanwhile, or a build with nothing on it: the tubes stand empty and the page says the rest. Anything else is
		// a fault of ours or of what is stored: the day line must not close the page, and must not hide it either.
		if (code !== 'notFound' && !(thrown instanceof PhysicsInputError))
			sayTrouble(`day line of payload ${payloadId} on support ${supportId ?? 'none'}`, thrown);
		return {};
	}
}

/** How far what is set is from what the shot asks; null: nothing here follows a hand. */
async function feelState(
	crewId: string,
	standing: Parameters<NonNullable<ReturnType<typeof serverKind>['turning']>>[0]
): Promise<StationState | null> {
	const { support, payload, bodies } = standing;
	const { turning } = serverKind(support.kind);
	if (turning === undefined) return null;
	const [sheet, setting, shots] = await Promise.all([
		findFeelPaper(crewId, { kind: 'sheet', supportId: support.id, payloadId: null }),
		findFeelPaper(crewId, { kind: 'setting', supportId: support.id, payloadId: payload.id }),
		findFeelPaper(crewId, { kind: 'shots', supportId: null, payloadId: null })
	]);
	// Nobody has said how it is set: the tube stands empty.
	if (setting === null) return null;
	const turnings = turning(standing);
	const shot = shotOf(shots?.value ?? noShots, setting.value.shotId);
	return stationOf(sheet?.value ?? freshSheet(motorsOf(turnings)), setting.value, shot, turnings, {
		id: payload.id,
		massKg: bodies.reduce((sum, { body }) => sum + body.massKg, 0),
		greatestPayloadKg: support.greatestPayloadKg
	});
}
