import { balanceGimbal, mountPayload } from '@poise/core';
import { scenario } from '@poise/demo';
import { v7 as newId } from 'uuid';
import type { NewPart } from '$lib/model/part';
import { mountedBodies, type PayloadDraft, standingParts } from '$lib/model/payload';
import type { RigGeometry } from '$lib/model/rig';
import { validated } from '../api';
import { database, inTransaction } from '../db/client';
import { createPart } from '../db/parts';
import { createPayload } from '../db/payloads';
import { findCrew } from '../db/people';
import { listRigs } from '../db/rigs';
import { crews, people, rigs } from '../db/schema';
import { logBalance } from '../logBalance';
import { newPart } from '../schemas/part';
import { payloadDraft } from '../schemas/payload';
import { rigGeometry } from '../schemas/rig';

/** Loads the demo scenario into an empty database, through the same doors as anything typed. Does nothing otherwise. */
export async function loadScenarioOnce(): Promise<void> {
	if ((await findCrew()) === undefined) await inTransaction(loadScenario);
}

async function loadScenario(): Promise<void> {
	const crewId = newId();
	await database().insert(crews).values({ id: crewId, name: scenario.crew });

	const personIds = new Map(scenario.people.map((name) => [name, newId()]));
	await database()
		.insert(people)
		.values([...personIds].map(([name, id]) => ({ id, crewId, name })));

	const shelf = new Map<string, Awaited<ReturnType<typeof createPart>>>();
	for (const part of scenario.parts) {
		const made = await createPart(crewId, validated<NewPart>(part, newPart));
		shelf.set(made.name, made);
	}

	for (const { geometry, ...rig } of scenario.rigs)
		await database()
			.insert(rigs)
			.values({ id: newId(), crewId, ...rig, geometry: validated<RigGeometry>(geometry, rigGeometry) });

	const firstPerson = [...personIds.values()][0] as string;
	const drafts = scenario.payloads.map(({ name, plate, placements }) =>
		validated<PayloadDraft>(
			{
				name,
				platePartId: shelf.get(plate)?.id,
				placements: placements.map(({ part, positionM }) => ({ id: newId(), partId: shelf.get(part)?.id, positionM }))
			},
			payloadDraft
		)
	);
	// The first of the scenario is to be the newest.
	const made = new Map<string, Awaited<ReturnType<typeof createPayload>>>();
	for (const draft of drafts.reverse()) made.set(draft.name, await createPayload(crewId, firstPerson, draft));

	const rigByName = new Map((await listRigs(crewId)).map((rig) => [rig.name, rig]));
	const partById = new Map([...shelf.values()].map((part) => [part.id, part]));
	for (const entry of scenario.balances) {
		const payload = made.get(entry.payload);
		const rig = rigByName.get(entry.rig);
		const personId = personIds.get(entry.person);
		if (payload === undefined || rig === undefined || personId === undefined)
			throw new Error(`The scenario logs a balance of something it does not hold: ${entry.payload}, ${entry.rig}`);
		const bodies = mountedBodies(standingParts(payload, partById));
		const { slides } = balanceGimbal({ chain: mountPayload({ rig: rig.geometry, payload: bodies }) });
		const missedByM: Readonly<Record<string, number>> = entry.missedByM;
		const loggedAt = new Date(Date.now() - entry.daysAgo * 24 * 3600 * 1000).toISOString();
		await logBalance(
			crewId,
			personId,
			{
				id: newId(),
				payloadId: payload.id,
				rigId: rig.id,
				payloadVersion: payload.version,
				positionsM: Object.fromEntries(slides.map(({ id, positionM }) => [id, positionM + (missedByM[id] ?? 0)])),
				nudges: [],
				note: entry.note
			},
			loggedAt
		);
	}
}
