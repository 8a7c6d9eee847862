import { listHeads } from '$lib/server/db/heads';
import { unreadable } from '$lib/server/unreadable';
import { pageLoad } from '$lib/server/page';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals }) =>
	pageLoad(async () => {
		const heads = await listHeads(locals.crewId);
		return { heads, unreadable: unreadable() };
	});
