import { combineBodies } from '@poise/core';
import { mountedBodies, standingParts } from '$lib/model/payload';
import { listParts } from './db/parts';
import { listPayloads } from './db/payloads';
import { hasItsParts } from './unreadable';

/** What each payload of a crew weighs, kg; null: nothing is on its plate, or something of it is gone. */
export async function payloadMasses(crewId: string): Promise<Readonly<Record<string, number | null>>> {
	const [payloads, shelf] = await Promise.all([listPayloads(crewId), listParts(crewId)]);
	const parts = new Map(shelf.map((part) => [part.id, part]));
	return Object.fromEntries(
		payloads.map((payload) => {
			const bodies = mountedBodies(standingParts(payload, parts)).map(({ body }) => body);
			const empty = payload.placements.length === 0 || !hasItsParts(payload, shelf);
			return [payload.id, empty ? null : combineBodies({ bodies }).massKg];
		})
	);
}
