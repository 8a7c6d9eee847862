import type { Vec3 } from '@poise/core';
import { scenario } from '@poise/demo';
import { v7 as newId } from 'uuid';
import { plainAttitude } from '$lib/model/attitude';
import type { GearDraft } from '$lib/model/gear';
import { freshChecklist } from '$lib/model/paper';
import { cgFromMiddleOf, type NewPart, type Part } from '$lib/model/part';
import type { Payload, PayloadDraft } from '$lib/model/payload';
import type { VenueDraft } from '$lib/model/venue';
import { validated } from '../api';
import { database, inTransaction } from '../db/client';
import { savePaper } from '../db/papers';
import { createPart } from '../db/parts';
import { createPayload } from '../db/payloads';
import { findCrew } from '../db/people';
import { crews, people } from '../db/schema';
import { addEntry } from '../db/supportNotes';
import { createSupport } from '../db/supports';
import { createVenue } from '../db/venues';
import { serverKinds } from '../kinds';
import { logBalance } from '../logBalance';
import { newPart } from '../schemas/part';
import { payloadDraft } from '../schemas/payload';
import { venueDraft } from '../schemas/venue';
import type { SupportRow } from '../supportKind';
import { serverStations } from '../stations';

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

	const firstPerson = [...personIds.values()][0] as string;
	for (const venue of scenario.venues) await createVenue(crewId, firstPerson, validated<VenueDraft>(venue, venueDraft));

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

	const parts = new Map([...shelf.values()].map((part) => [part.id, hiddenly(part)]));
	const named = <T>(of: ReadonlyMap<string, T>, name: string): T => {
		const found = of.get(name);
		if (found === undefined) throw new Error(`The scenario names something it does not hold: ${name}`);
		return found;
	};
	for (const [key, kind] of serverKinds())
		await kind.demo({
			parts,
			payload: (name) => named(made, name),
			make: async <Geometry>(draft: GearDraft<Geometry>) =>
				(await createSupport(crewId, firstPerson, key, validated(draft, kind.draft))) as SupportRow<Geometry>,
			log: async (person, { payload, ...entry }, daysAgo) => {
				await logBalance(
					crewId,
					named(personIds, person),
					{ id: newId(), payloadId: payload.id, payloadVersion: payload.version, ...entry },
					new Date(Date.now() - daysAgo * 24 * 3600 * 1000).toISOString()
				);
			},
			note: (person, supportId, entry, at) =>
				addEntry(crewId, named(personIds, person), { id: supportId, kind: key }, entry, { at: at.toISOString() })
		});

	for (const [, station] of serverStations) await station.demo?.({ crewId, personIds, payloads: made });

	const { checklist } = scenario;
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

const hiddenM: Readonly<Record<string, readonly number[]>> = scenario.hidden.partsM;

/** The part as it really is: heavy elsewhere than the shelf says. */
function hiddenly(part: Part): Part {
	const by = hiddenM[part.name];
	if (by === undefined) return part;
	const cgFromMiddleM = cgFromMiddleOf(part.shape).map((value, axis) => value + (by[axis] ?? 0)) as unknown as Vec3;
	return { ...part, shape: { ...part.shape, cgFromMiddleM } };
}
