import { redirect } from '@sveltejs/kit';
import { combineBodies } from '@poise/core';
import { mountedBodies, standingParts } from '$lib/model/payload';
import { listParts } from '$lib/server/db/parts';
import { listPayloads } from '$lib/server/db/payloads';
import { listRigs } from '$lib/server/db/rigs';
import { listCranes } from '$lib/server/db/cranes';
import { listSleds } from '$lib/server/db/sleds';
import type { PageServerLoad } from './$types';

/** Goes on with what the person had on the bench, or offers every payload with the rigs that carry it. */
export const load: PageServerLoad = async ({ locals: { crewId, person }, url }) => {
	if (!url.searchParams.has('choose') && person.payloadId !== null) {
		if (person.sledId !== null) redirect(307, `/balance/sled/${person.sledId}/${person.payloadId}`);
		if (person.craneId !== null) redirect(307, `/balance/crane/${person.craneId}/${person.payloadId}`);
		if (person.rigId !== null) redirect(307, `/balance/${person.rigId}/${person.payloadId}`);
	}
	const [payloads, rigs, sleds, cranes, shelf] = await Promise.all([
		listPayloads(crewId),
		listRigs(crewId),
		listSleds(crewId),
		listCranes(crewId),
		listParts(crewId)
	]);
	type Support = { id: string; name: string; leastPayloadKg: number; greatestPayloadKg: number };
	const offered = ({ id, name, leastPayloadKg, greatestPayloadKg }: Support, at: string) => ({
		id,
		name,
		leastPayloadKg,
		greatestPayloadKg,
		at
	});
	const parts = new Map(shelf.map((part) => [part.id, part]));
	return {
		supports: [
			...rigs.map((rig) => offered(rig, `/balance/${rig.id}`)),
			...sleds.map((sled) => offered(sled, `/balance/sled/${sled.id}`)),
			...cranes.map((crane) => offered(crane, `/balance/crane/${crane.id}`))
		],
		payloads: payloads.map((payload) => {
			const bodies = mountedBodies(standingParts(payload, parts)).map(({ body }) => body);
			return { id: payload.id, name: payload.name, massKg: combineBodies({ bodies }).massKg };
		})
	};
};
