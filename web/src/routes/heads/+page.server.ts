import { listHeads } from '$lib/server/db/heads';
import { unreadable } from '$lib/server/unreadable';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals }) => {
	const heads = await listHeads(locals.crewId);
	return { heads, unreadable: unreadable() };
};
