import { PhysicsInputError } from '@poise/core';
import { countedLooks, craneFigures } from '$lib/supports/crane/figures';
import { settledOn } from '$lib/supports/crane/standing';
import type { CraneRecord } from '$lib/model/balance';
import { mountedBodies, standingParts } from '$lib/model/payload';
import { createCraneBalance } from './db/balances';
import { findCrane } from './db/cranes';
import { listParts } from './db/parts';
import { findPayload } from './db/payloads';
import { Refusal } from './refusal';
import type { NewCraneBalance } from './schemas/crane';

/** Writes a crane balance into the logbook, its figures worked out again from what the server holds. */
export async function logCraneBalance(
	crewId: string,
	personId: string,
	entry: NewCraneBalance,
	loggedAt?: string
): Promise<CraneRecord> {
	const [payload, crane, shelf] = await Promise.all([
		findPayload(crewId, entry.payloadId),
		findCrane(crewId, entry.craneId),
		listParts(crewId)
	]);
	if (payload.version !== entry.payloadVersion) throw new Refusal('stale');
	const bodies = mountedBodies(standingParts(payload, new Map(shelf.map((part) => [part.id, part]))));
	const used = new Set([payload.platePartId, ...payload.placements.map(({ partId }) => partId)]);
	try {
		const setting = settledOn(crane.geometry, entry.state.setting);
		const figures = craneFigures(
			crane,
			bodies,
			{ ...entry.state, setting },
			countedLooks(entry.state, payload.version)
		);
		return await createCraneBalance(
			crewId,
			personId,
			{
				id: entry.id,
				payloadId: payload.id,
				craneId: crane.id,
				payloadName: payload.name,
				rigName: crane.name,
				payloadMassKg: figures.payloadKg,
				placed: figures.balanced,
				poised: figures.poised,
				note: entry.note,
				...(loggedAt === undefined ? {} : { loggedAt })
			},
			{
				snapshot: { payload, parts: shelf.filter(({ id }) => used.has(id)) },
				crane,
				setting,
				noseBiasKg: entry.state.noseBiasKg,
				ground: entry.state.ground,
				figures: {
					uKgM: figures.uKgM,
					vKgM: figures.vKgM,
					noseKg: figures.noseKg,
					reserve: figures.envelope.reserve,
					kind: figures.drift.kind
				},
				slips: entry.state.slips
			}
		);
	} catch (thrown) {
		if (thrown instanceof PhysicsInputError)
			throw new Refusal('invalid', `This cannot be worked out: ${thrown.message}.`);
		throw thrown;
	}
}
