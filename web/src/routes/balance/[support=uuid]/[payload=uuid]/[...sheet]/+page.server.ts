import { redirect } from '@sveltejs/kit';
import { benchPath } from '$lib/supports/address';
import type { PageServerLoad } from './$types';

/** Benches of gimbals were found here once; whoever kept the address still finds them. */
export const load: PageServerLoad = ({ params, url }) => {
	const bench = { kind: 'gimbal', supportId: params.support, payloadId: params.payload };
	redirect(308, encodeURI(benchPath(bench, params.sheet)) + url.search);
};
