import { PhysicsInputError } from '@poise/core';
import { benchFigures, solveWithLooks } from '$lib/supports/gimbal/figures';
import { setUpRig } from '$lib/supports/gimbal/setUp';
import type { BalanceRecord } from '$lib/model/balance';
import { mountedBodies, standingParts } from '$lib/model/payload';
import { createBalance } from './db/balances';
import { listParts } from './db/parts';
import { findPayload } from './db/payloads';
import { findRig } from './db/rigs';
import { Refusal } from './refusal';
import type { NewBalance } from './schemas/bench';

/**
 * Writes a balance into the logbook. The server works the figures out again from what it holds, so that a record never
 * rests on what a page happened to believe; it refuses when the payload has been saved since the page showed it.
 */
export async function logBalance(
	crewId: string,
	personId: string,
	entry: NewBalance,
	loggedAt?: string
): Promise<BalanceRecord> {
	const [payload, rig, shelf] = await Promise.all([
		findPayload(crewId, entry.payloadId),
		findRig(crewId, entry.rigId),
		listParts(crewId)
	]);
	if (payload.version !== entry.payloadVersion) throw new Refusal('stale');

	const missing = rig.geometry.slides.filter(({ id }) => entry.positionsM[id] === undefined);
	const extra = Object.keys(entry.positionsM).filter((id) => !rig.geometry.slides.some((slide) => slide.id === id));
	const fields = Object.fromEntries([
		...missing.map(({ id, label }) => [`positionsM.${id}`, `The reading of the ${label.toLowerCase()} is missing.`]),
		...extra.map((id) => [`positionsM.${id}`, 'This rig has no such slide.'])
	]) as Record<string, string>;
	if (Object.keys(fields).length > 0) throw new Refusal('invalid', undefined, fields);

	const parts = standingParts(payload, new Map(shelf.map((part) => [part.id, part])));
	const bodies = mountedBodies(parts);
	const used = new Set([payload.platePartId, ...payload.placements.map(({ partId }) => partId)]);
	try {
		const { weights = [], alternativeIds = [], looks = [] } = entry;
		const rigToday = setUpRig(rig, { weights, alternativeIds });
		const { axes, placed, poised, seen, massKg } = benchFigures(
			rigToday,
			bodies,
			entry.positionsM,
			solveWithLooks(rigToday, bodies, looks)
		);
		return await createBalance(
			crewId,
			personId,
			{
				id: entry.id,
				payloadId: payload.id,
				rigId: rig.id,
				payloadName: payload.name,
				rigName: rig.name,
				payloadMassKg: massKg,
				placed,
				poised,
				note: entry.note,
				...(loggedAt === undefined ? {} : { loggedAt })
			},
			{
				snapshot: { payload, parts: shelf.filter(({ id }) => used.has(id)) },
				rig: rigToday,
				positionsM: entry.positionsM,
				axes,
				nudges: entry.nudges,
				weights,
				alternativeIds,
				found: [...seen]
			}
		);
	} catch (thrown) {
		if (thrown instanceof PhysicsInputError)
			throw new Refusal('invalid', `This cannot be worked out: ${thrown.message}.`);
		throw thrown;
	}
}
