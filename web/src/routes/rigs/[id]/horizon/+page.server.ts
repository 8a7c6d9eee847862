import { idOf } from '$lib/server/api';
import { listHorizon } from '$lib/server/db/horizon';
import { findRig } from '$lib/server/db/rigs';
import { pageLoad } from '$lib/server/page';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals, params }) =>
	pageLoad(async () => {
		const rig = await findRig(locals.crewId, idOf(params.id));
		return { rig, horizon: await listHorizon(locals.crewId, rig.id) };
	});
