import { pageLoad } from '$lib/server/page';
import { sledData } from '$lib/server/sledData';
import type { LayoutServerLoad } from './$types';

/** Every sheet of one payload on one sled stands on the same bench. */
export const load: LayoutServerLoad = ({ locals, params }) =>
	pageLoad(() => sledData(locals.crewId, locals.person.id, params));
