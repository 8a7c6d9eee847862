import { benchData } from '$lib/server/benchData';
import { pageLoad } from '$lib/server/page';
import { moduleOf, ownName } from '$lib/supports/components';
import type { LayoutServerLoad } from './$types';

export const load: LayoutServerLoad = ({ locals, params, depends }) =>
	pageLoad(() => {
		depends('poise:shelf');
		locals.shown.push(moduleOf(params.kind, ownName(params.kind, 'Shell')));
		return benchData(locals.crewId, params);
	});
