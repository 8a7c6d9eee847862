import { idOf } from '$lib/server/api';
import { findBalance } from '$lib/server/db/balances';
import { listParts } from '$lib/server/db/parts';
import { listPayloads } from '$lib/server/db/payloads';
import { listRigs } from '$lib/server/db/rigs';
import { pageLoad } from '$lib/server/page';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals, params, url }) =>
	pageLoad(async () => {
		const { crewId, person } = locals;
		const [record, payloads, rigs, shelf] = await Promise.all([
			findBalance(crewId, idOf(params.id)),
			listPayloads(crewId),
			listRigs(crewId),
			listParts(crewId)
		]);
		// The payload asked for, else the one on the bench, else the one that was logged, as it is today.
		const wanted = [url.searchParams.get('with'), person.payloadId, record.payloadId];
		const present = wanted.map((id) => payloads.find((each) => each.id === id)).find((each) => each !== undefined);
		return {
			record,
			present: present ?? null,
			rig: rigs.find(({ id }) => id === record.rigId) ?? record.rig,
			shelf,
			payloads: payloads.map(({ id, name }) => ({ id, name }))
		};
	});
