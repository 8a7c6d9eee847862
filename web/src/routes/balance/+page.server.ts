import { redirect } from '@sveltejs/kit';
import { combineBodies } from '@poise/core';
import { mountedBodies, standingParts } from '$lib/model/payload';
import { listParts } from '$lib/server/db/parts';
import { listPayloads } from '$lib/server/db/payloads';
import type { PageServerLoad } from './$types';

/** Goes on with what the person had on the bench, or lays every payload beside every support. */
export const load: PageServerLoad = async ({ locals: { crewId, person }, url, depends }) => {
	depends('poise:shelf');
	if (!url.searchParams.has('choose') && person.payloadId !== null) {
		if (person.sledId !== null) redirect(307, `/balance/sled/${person.sledId}/${person.payloadId}`);
		if (person.craneId !== null) redirect(307, `/balance/crane/${person.craneId}/${person.payloadId}`);
		if (person.rigId !== null) redirect(307, `/balance/${person.rigId}/${person.payloadId}`);
	}
	const [payloads, shelf] = await Promise.all([listPayloads(crewId), listParts(crewId)]);
	const parts = new Map(shelf.map((part) => [part.id, part]));
	return {
		massesKg: Object.fromEntries(
			payloads.map((payload) => {
				const bodies = mountedBodies(standingParts(payload, parts)).map(({ body }) => body);
				return [payload.id, payload.placements.length === 0 ? null : combineBodies({ bodies }).massKg];
			})
		)
	};
};
