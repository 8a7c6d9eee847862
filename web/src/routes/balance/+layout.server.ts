import { listOnOffer } from '$lib/server/db/supports';
import type { LayoutServerLoad } from './$types';

/** Every bench offers every other: any payload on any support is one choice away. */
export const load: LayoutServerLoad = async ({ locals, depends }) => {
	depends('poise:shelf');
	return { onOffer: await listOnOffer(locals.crewId) };
};
