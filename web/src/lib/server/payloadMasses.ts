import { combineBodies } from '@poise/core';
import { mountedBodies, type Payload, standingParts } from '$lib/model/payload';
import type { Part } from '$lib/model/part';
import type { Person } from '$lib/model/person';
import type { InHand } from '$lib/supports/onOffer';
import { listParts } from './db/parts';
import { listPayloads } from './db/payloads';
import { hasItsParts } from './unreadable';

/** What each payload of a crew weighs, kg; null: nothing is on its plate, or something of it is gone. */
export async function payloadMasses(crewId: string): Promise<Readonly<Record<string, number | null>>> {
	const [payloads, shelf] = await Promise.all([listPayloads(crewId), listParts(crewId)]);
	return Object.fromEntries(payloads.map((payload) => [payload.id, massOf(payload, shelf)]));
}

/** What the person has on the bench; null: nothing that weighs anything. */
export async function payloadInHand({
	crewId,
	person
}: {
	readonly crewId: string;
	readonly person: Pick<Person, 'payloadId'>;
}): Promise<InHand> {
	if (person.payloadId === null) return null;
	const [payloads, shelf] = await Promise.all([listPayloads(crewId), listParts(crewId)]);
	const payload = payloads.find(({ id }) => id === person.payloadId);
	const massKg = payload === undefined ? null : massOf(payload, shelf);
	return payload === undefined || massKg === null ? null : { name: payload.name, massKg };
}

function massOf(payload: Payload, shelf: readonly Part[]): number | null {
	if (payload.placements.length === 0 || !hasItsParts(payload, shelf)) return null;
	const parts = new Map(shelf.map((part) => [part.id, part]));
	return combineBodies({ bodies: mountedBodies(standingParts(payload, parts)).map(({ body }) => body) }).massKg;
}
