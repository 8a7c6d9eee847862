import { PhysicsInputError } from '@poise/core';
import type { SledRecord } from '$lib/model/balance';
import { mountedBodies, standingParts } from '$lib/model/payload';
import { countedSeen, estimateFromSeen, sledFigures } from '$lib/supports/sled/figures';
import { settledOn } from '$lib/supports/sled/standing';
import { createSledBalance } from './db/balances';
import { listParts } from './db/parts';
import { findPayload } from './db/payloads';
import { findSled } from './db/sleds';
import { Refusal } from './refusal';
import type { NewSledBalance } from './schemas/sled';

/** Writes a sled balance into the logbook, its figures worked out again from what the server holds. */
export async function logSledBalance(
	crewId: string,
	personId: string,
	entry: NewSledBalance,
	loggedAt?: string
): Promise<SledRecord> {
	const [payload, sled, shelf] = await Promise.all([
		findPayload(crewId, entry.payloadId),
		findSled(crewId, entry.sledId),
		listParts(crewId)
	]);
	if (payload.version !== entry.payloadVersion) throw new Refusal('stale');
	const bodies = mountedBodies(standingParts(payload, new Map(shelf.map((part) => [part.id, part]))));
	const used = new Set([payload.platePartId, ...payload.placements.map(({ partId }) => partId)]);
	try {
		const seen = countedSeen(entry.state, payload.version);
		const setting = settledOn(sled.geometry, entry.state.setting);
		const figures = sledFigures(
			sled,
			bodies,
			{ ...entry.state, setting, seen },
			estimateFromSeen(sled.geometry, bodies, seen)
		);
		const { report } = figures;
		return await createSledBalance(
			crewId,
			personId,
			{
				id: entry.id,
				payloadId: payload.id,
				sledId: sled.id,
				payloadName: payload.name,
				rigName: sled.name,
				payloadMassKg: figures.payloadKg,
				placed: figures.placed,
				poised: figures.poised,
				note: entry.note,
				...(loggedAt === undefined ? {} : { loggedAt })
			},
			{
				snapshot: { payload, parts: shelf.filter(({ id }) => used.has(id)) },
				sled,
				setting,
				dropTimeS: entry.state.dropTimeS,
				figures: {
					massKg: report.massKg,
					staticForeM: report.staticOffsetM.fore,
					staticSideM: report.staticOffsetM.side,
					dropForeS: report.dropTimeS.fore,
					foreLeanRad: report.dynamic.foreLeanRad,
					sideLeanRad: report.dynamic.sideLeanRad,
					panInertiaKgM2: report.panInertiaKgM2
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
