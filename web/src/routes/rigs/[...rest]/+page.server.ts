import { redirect } from '@sveltejs/kit';
import type { PageServerLoad } from './$types';

/** Gimbals were found here once; whoever kept the address still finds them. */
export const load: PageServerLoad = ({ params, url }) =>
	redirect(308, `/gimbals${encodeURI(params.rest === '' ? '' : `/${params.rest}`)}${url.search}`);
