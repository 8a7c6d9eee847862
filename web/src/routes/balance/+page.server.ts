import { redirect } from '@sveltejs/kit';
import { combineBodies } from '@poise/core';
import { mountedBodies, standingParts } from '$lib/model/payload';
import { benchPath } from '$lib/supports/address';
import { kindOf } from '$lib/supports/registry';
import { listParts } from '$lib/server/db/parts';
import { listPayloads } from '$lib/server/db/payloads';
import { hasItsParts } from '$lib/server/unreadable';
import { pageLoad } from '$lib/server/page';
import type { PageServerLoad } from './$types';

/** Goes on with what the person had on the bench, or lays every payload beside every support. */
export const load: PageServerLoad = ({ locals: { crewId, person }, url, depends }) =>
	pageLoad(async () => {
		depends('poise:shelf');
		const { payloadId, supportId, supportKind } = person;
		if (
			!url.searchParams.has('choose') &&
			payloadId !== null &&
			supportId !== null &&
			kindOf(supportKind ?? '') !== null
		)
			redirect(307, benchPath({ kind: supportKind as string, supportId, payloadId }));
		const [payloads, shelf] = await Promise.all([listPayloads(crewId), listParts(crewId)]);
		const parts = new Map(shelf.map((part) => [part.id, part]));
		return {
			massesKg: Object.fromEntries(
				payloads.map((payload) => {
					const bodies = mountedBodies(standingParts(payload, parts)).map(({ body }) => body);
					return [
						payload.id,
						payload.placements.length === 0 || !hasItsParts(payload, shelf) ? null : combineBodies({ bodies }).massKg
					];
				})
			)
		};
	});
