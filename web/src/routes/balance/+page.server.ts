import { redirect } from '@sveltejs/kit';
import { benchPath } from '$lib/supports/address';
import { kindOf } from '$lib/supports/registry';
import { pageLoad } from '$lib/server/page';
import { payloadMasses } from '$lib/server/payloadMasses';
import type { PageServerLoad } from './$types';

/** Goes on with what the person had on the bench, or lays every payload beside every support. */
export const load: PageServerLoad = ({ locals: { crewId, person }, url, depends }) =>
	pageLoad(async () => {
		depends('poise:shelf');
		const { payloadId, supportId, supportKind } = person;
		if (
			!url.searchParams.has('choose') &&
			payloadId !== null &&
			supportId !== null &&
			kindOf(supportKind ?? '') !== null
		)
			redirect(307, benchPath({ kind: supportKind as string, supportId, payloadId }));
		return { massesKg: await payloadMasses(crewId) };
	});
