import { listSupports } from '$lib/server/db/supports';
import { pageLoad } from '$lib/server/page';
import { payloadInHand } from '$lib/server/payloadMasses';
import { moduleOf, ownName } from '$lib/supports/components';
import { kindOnShelf } from '$lib/supports/registry';
import { unreadable } from '$lib/server/unreadable';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals, params }) =>
	pageLoad(async () => {
		const { key } = kindOnShelf(params.shelf);
		locals.shown.push(moduleOf(key, ownName(key, 'Shelf')));
		const [supports, inHand] = await Promise.all([listSupports(locals.crewId, key), payloadInHand(locals)]);
		return { supports, inHand, unreadable: unreadable() };
	});
