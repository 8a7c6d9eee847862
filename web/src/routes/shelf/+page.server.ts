import { listOnOffer } from '$lib/server/db/supports';
import { listParts } from '$lib/server/db/parts';
import { listHeads } from '$lib/server/db/heads';
import { listVenues } from '$lib/server/db/venues';
import { unreadable } from '$lib/server/unreadable';
import { pageLoad } from '$lib/server/page';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals: { crewId } }) =>
	pageLoad(async () => {
		const [shelf, { supports }, venues, heads] = await Promise.all([
			listParts(crewId),
			listOnOffer(crewId),
			listVenues(crewId),
			listHeads(crewId)
		]);
		const named = ({ id, name }: { readonly id: string; readonly name: string }) => ({ id, name });
		return { shelf, supports, venues: venues.map(named), heads: heads.map(named), unreadable: unreadable() };
	});
