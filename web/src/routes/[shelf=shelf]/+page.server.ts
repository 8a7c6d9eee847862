import { listSupports } from '$lib/server/db/supports';
import { pageLoad } from '$lib/server/page';
import { moduleOf, ownName } from '$lib/supports/components';
import { kindOnShelf } from '$lib/supports/registry';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals, params }) =>
	pageLoad(async () => {
		const { key } = kindOnShelf(params.shelf);
		locals.shown.push(moduleOf(key, ownName(key, 'Shelf')));
		return { supports: await listSupports(locals.crewId, key) };
	});
