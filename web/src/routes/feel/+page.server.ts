import { redirect } from '@sveltejs/kit';
import { feelPath } from '$lib/stations/feel/address';
import { pageLoad } from '$lib/server/page';
import { payloadMasses } from '$lib/server/payloadMasses';
import { kindOf } from '$lib/supports/registry';
import type { PageServerLoad } from './$types';

/** Goes on with what the person has in hand, where it follows a hand; else every payload beside every gimbal. */
export const load: PageServerLoad = ({ locals: { crewId, person }, url, depends }) =>
	pageLoad(async () => {
		depends('poise:shelf');
		const sheet = url.searchParams.has('recipes') ? 'recipes' : '';
		const { payloadId, supportId, supportKind } = person;
		if (
			!url.searchParams.has('choose') &&
			payloadId !== null &&
			supportId !== null &&
			kindOf(supportKind ?? '')?.follows === true
		)
			redirect(307, feelPath(supportId, payloadId, sheet));
		return { sheet, massesKg: await payloadMasses(crewId) };
	});
