import { moveData } from '$lib/stations/moves/data.server';
import { pageLoad } from '$lib/server/page';
import type { LayoutServerLoad } from './$types';

export const load: LayoutServerLoad = ({ locals, params, depends }) =>
	pageLoad(() => {
		depends('poise:shelf');
		return moveData(locals.crewId, locals.person, params);
	});
