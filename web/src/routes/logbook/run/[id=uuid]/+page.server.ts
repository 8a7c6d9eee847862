import { idOf } from '$lib/server/api';
import { findMoveRun } from '$lib/stations/moves/runRows.server';
import { pageLoad } from '$lib/server/page';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals, params, depends }) =>
	pageLoad(async () => {
		depends('poise:record');
		return { run: await findMoveRun(locals.crewId, idOf(params.id)) };
	});
