import { idOf } from '$lib/server/api';
import { checksLeft } from '$lib/model/paper';
import { findPaper } from '$lib/server/db/papers';
import { listParts } from '$lib/server/db/parts';
import { findPayload } from '$lib/server/db/payloads';
import { listOnOffer } from '$lib/server/db/supports';
import { pageLoad } from '$lib/server/page';
import { needsItsParts } from '$lib/server/unreadable';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals, params, depends }) =>
	pageLoad(async () => {
		depends('poise:shelf');
		const { crewId } = locals;
		const payload = await findPayload(crewId, idOf(params.id));
		const [shelf, onOffer, checklist] = await Promise.all([
			listParts(crewId),
			listOnOffer(crewId),
			findPaper(crewId, payload.id, 'checklist')
		]);
		needsItsParts(payload, shelf);
		return {
			payload,
			checksLeft: checklist === null ? null : checksLeft(checklist),
			shelf,
			names: onOffer.payloads,
			supports: onOffer.supports
		};
	});
