import { feelData } from '$lib/stations/feel/data.server';
import { pageLoad } from '$lib/server/page';
import type { LayoutServerLoad } from './$types';

export const load: LayoutServerLoad = ({ locals, params, depends }) =>
	pageLoad(() => {
		depends('poise:shelf');
		return feelData(locals.crewId, params);
	});
