import { balanceGimbal, mountPayload, radFromDeg, type Vec3 } from '@poise/core';
import { scenario } from '@poise/demo';
import { v7 as newId } from 'uuid';
import { plainAttitude } from '$lib/model/attitude';
import { freshChecklist } from '$lib/model/paper';
import { cgFromMiddleOf, type NewPart, type Part } from '$lib/model/part';
import { mountedBodies, type Payload, type PayloadDraft, standingParts } from '$lib/model/payload';
import type { RigGeometry } from '$lib/model/rig';
import type { VenueDraft } from '$lib/model/venue';
import { validated } from '../api';
import { database, inTransaction } from '../db/client';
import { addHorizonEntry } from '../db/horizon';
import { savePaper } from '../db/papers';
import { createPart } from '../db/parts';
import { createPayload } from '../db/payloads';
import { findCrew } from '../db/people';
import { listRigs } from '../db/rigs';
import { crews, people, rigs } from '../db/schema';
import { venueStore } from '../db/venues';
import { logBalance } from '../logBalance';
import { newPart } from '../schemas/part';
import { payloadDraft } from '../schemas/payload';
import { rigGeometry } from '../schemas/rig';
import { venueDraft } from '../schemas/venue';
import { loadCranes } from './loadCranes';
import { loadSleds } from './loadSleds';

/** Loads the demo scenario into an empty database, through the same doors as anything typed. Does nothing otherwise. */
export async function loadScenarioOnce(): Promise<void> {
	if ((await findCrew()) === undefined) await inTransaction(loadScenario);
}

/** A crew of one that owns nothing yet, in an empty database. Does nothing otherwise. */
export async function makeEmptyCrewOnce(): Promise<void> {
	if ((await findCrew()) !== undefined) return;
	await inTransaction(async () => {
		const crewId = newId();
		await database().insert(crews).values({ id: crewId, name: 'Your crew' });
		await database().insert(people).values({ id: newId(), crewId, name: 'You' });
	});
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

	for (const venue of scenario.venues) await venueStore.create(crewId, validated<VenueDraft>(venue, venueDraft));

	const firstPerson = [...personIds.values()][0] as string;
	const draftOf = ({ name, plate, placements }: (typeof scenario.payloads)[number]) =>
		validated<PayloadDraft>(
			{
				name,
				platePartId: shelf.get(plate)?.id,
				placements: placements.map(({ part, positionM, group = null, extended = 1, arm = null }) => ({
					id: newId(),
					partId: shelf.get(part)?.id,
					positionM,
					...(group === null && extended === 1 && arm === null
						? {}
						: { attitude: { ...plainAttitude, group, extended, arm } })
				}))
			},
			payloadDraft
		);
	// The first of the scenario is to be the newest; variants join the family of the first one made.
	const made = new Map<string, Payload>();
	const families = new Map<string, string>();
	for (const each of [...scenario.payloads].reverse()) {
		const variantOf = each.family === undefined ? undefined : families.get(each.family);
		const payload = await createPayload(crewId, firstPerson, draftOf(each), variantOf);
		made.set(payload.name, payload);
		if (each.family !== undefined && variantOf === undefined) families.set(each.family, payload.id);
	}

	const rigByName = new Map((await listRigs(crewId)).map((rig) => [rig.name, rig]));
	const partById = new Map([...shelf.values()].map((part) => [part.id, hiddenly(part)]));
	for (const entry of scenario.balances) {
		const payload = made.get(entry.payload);
		const rig = rigByName.get(entry.rig);
		const personId = personIds.get(entry.person);
		if (payload === undefined || rig === undefined || personId === undefined)
			throw new Error(`The scenario logs a balance of something it does not hold: ${entry.payload}, ${entry.rig}`);
		const bodies = mountedBodies(standingParts(payload, partById));
		const { slides } = balanceGimbal({ chain: mountPayload({ rig: rig.geometry, payload: bodies }) });
		const missedByM: Readonly<Record<string, number>> = entry.missedByM;
		const zerosM: Readonly<Record<string, number>> = hidden.zerosM[entry.rig] ?? {};
		const loggedAt = new Date(Date.now() - entry.daysAgo * 24 * 3600 * 1000).toISOString();
		const positionsM = Object.fromEntries(
			slides.map(({ id, positionM }) => [id, positionM + (missedByM[id] ?? 0) + (zerosM[id] ?? 0)])
		);
		await logBalance(
			crewId,
			personId,
			{
				id: newId(),
				payloadId: payload.id,
				rigId: rig.id,
				payloadVersion: payload.version,
				positionsM,
				nudges: [],
				// Each axis was let go in the end and seen to hold.
				looks: rig.geometry.slides.map(({ id, balances }) => ({
					axisId: balances,
					kind: 'way' as const,
					slideId: id,
					observation: 'holds' as const,
					positionsM
				})),
				note: entry.note
			},
			loggedAt
		);
	}

	await loadSleds(crewId, personIds, made, partById);
	await loadCranes(crewId, personIds, made, partById);

	const { horizon, checklist } = scenario;
	const watched = rigByName.get(horizon.rig);
	const watcher = personIds.get(horizon.person);
	if (watched !== undefined && watcher !== undefined) {
		const morning = Date.now() - 26 * 3600 * 1000;
		const at = (minutes: number) => new Date(morning + minutes * 60_000).toISOString();
		const calibration = { kind: 'calibration' as const, minutes: 0, rollRad: 0, temperatureC: horizon.calibratedAtC };
		await addHorizonEntry(crewId, watcher, watched.id, calibration, at(-1));
		for (const [minutes, degrees, temperatureC] of horizon.readings as [number, number, number][])
			await addHorizonEntry(
				crewId,
				watcher,
				watched.id,
				{ kind: 'reading', minutes, rollRad: radFromDeg(degrees), temperatureC },
				at(minutes)
			);
	}
	const checked = made.get(checklist.payload);
	if (checked !== undefined) {
		const fresh = freshChecklist(newId);
		const stamp = { by: checklist.person, at: new Date(Date.now() - 40 * 60_000).toISOString() };
		await savePaper(crewId, firstPerson, checked.id, 'checklist', {
			...fresh,
			items: fresh.items.map((item) => (checklist.ticked.includes(item.text) ? { ...item, ticked: stamp } : item))
		});
	}
}

const hidden: {
	readonly partsM: Readonly<Record<string, readonly number[]>>;
	readonly zerosM: Readonly<Record<string, Readonly<Record<string, number>>>>;
} = scenario.hidden;

/** The part as it really is: heavy elsewhere than the shelf says. */
function hiddenly(part: Part): Part {
	const by = hidden.partsM[part.name];
	if (by === undefined) return part;
	const cgFromMiddleM = cgFromMiddleOf(part.shape).map((value, axis) => value + (by[axis] ?? 0)) as unknown as Vec3;
	return { ...part, shape: { ...part.shape, cgFromMiddleM } };
}
