import { pageLoad } from '$lib/server/page';
import { sledData } from '$lib/server/sledData';
import { listRigs } from '$lib/server/db/rigs';
import type { LayoutServerLoad } from './$types';

/** Every sheet of one payload on one sled stands on the same bench. */
export const load: LayoutServerLoad = ({ locals, params }) =>
	pageLoad(async () => {
		const [data, rigs] = await Promise.all([
			sledData(locals.crewId, locals.person.id, params),
			listRigs(locals.crewId)
		]);
		return { ...data, rigs: rigs.map(({ id, name }) => ({ id, name })) };
	});
