import { craneData } from '$lib/server/craneData';
import { pageLoad } from '$lib/server/page';
import type { LayoutServerLoad } from './$types';

/** Every sheet of one payload on one crane stands on the same bench. */
export const load: LayoutServerLoad = ({ locals, params }) => pageLoad(() => craneData(locals.crewId, params));
