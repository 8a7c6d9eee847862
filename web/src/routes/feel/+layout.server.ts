import { listOnOffer } from '$lib/server/db/supports';
import { kindOf } from '$lib/supports/registry';
import { pageLoad } from '$lib/server/page';
import type { LayoutServerLoad } from './$types';

/** Any payload on anything that follows a hand is one choice away. */
export const load: LayoutServerLoad = ({ locals, depends }) =>
	pageLoad(async () => {
		depends('poise:shelf');
		const { supports, ...rest } = await listOnOffer(locals.crewId);
		return { onOffer: { ...rest, supports: supports.filter(({ kind }) => kindOf(kind)?.follows === true) } };
	});
