import { listParts } from '$lib/server/db/parts';
import { listPayloads } from '$lib/server/db/payloads';
import { unreadable } from '$lib/server/unreadable';
import { pageLoad } from '$lib/server/page';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals }) =>
	pageLoad(async () => {
		const [payloads, shelf] = await Promise.all([listPayloads(locals.crewId), listParts(locals.crewId)]);
		return { payloads, shelf, unreadable: unreadable() };
	});
