import { listOnOffer } from '$lib/server/db/supports';
import { pageLoad } from '$lib/server/page';
import type { LayoutServerLoad } from './$types';

/** Every bench offers every other: any payload on any support is one choice away. */
export const load: LayoutServerLoad = ({ locals, depends }) =>
	pageLoad(async () => {
		depends('poise:shelf');
		return { onOffer: await listOnOffer(locals.crewId) };
	});
