import { redirect } from '@sveltejs/kit';
import { combineBodies } from '@poise/core';
import { mountedBodies, standingParts } from '$lib/model/payload';
import { listParts } from '$lib/server/db/parts';
import { listPayloads } from '$lib/server/db/payloads';
import { listRigs } from '$lib/server/db/rigs';
import type { PageServerLoad } from './$types';

/** Goes on with what the person had on the bench, or offers every payload with the rigs that carry it. */
export const load: PageServerLoad = async ({ locals: { crewId, person } }) => {
	if (person.payloadId !== null && person.rigId !== null) redirect(307, `/balance/${person.rigId}/${person.payloadId}`);
	const [payloads, rigs, shelf] = await Promise.all([listPayloads(crewId), listRigs(crewId), listParts(crewId)]);
	const parts = new Map(shelf.map((part) => [part.id, part]));
	return {
		rigs: rigs.map(({ id, name, leastPayloadKg, greatestPayloadKg }) => ({
			id,
			name,
			leastPayloadKg,
			greatestPayloadKg
		})),
		payloads: payloads.map((payload) => {
			const bodies = mountedBodies(standingParts(payload, parts)).map(({ body }) => body);
			return { id: payload.id, name: payload.name, massKg: combineBodies({ bodies }).massKg };
		})
	};
};
