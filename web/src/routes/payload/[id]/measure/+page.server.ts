import { idOf } from '$lib/server/api';
import { balancesWith } from '$lib/server/db/log';
import { listMeasurements } from '$lib/server/db/measurements';
import { listParts } from '$lib/server/db/parts';
import { findPayload } from '$lib/server/db/payloads';
import { listGearChanges } from '$lib/server/db/gearChanges';
import type { GimbalRecordDetail } from '$lib/supports/gimbal/model';
import { pageLoad } from '$lib/server/page';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals, params, url }) =>
	pageLoad(async () => {
		const { crewId } = locals;
		const payload = await findPayload(crewId, idOf(params.id));
		const shelf = await listParts(crewId);
		const used = new Set([payload.platePartId, ...payload.placements.map(({ partId }) => partId)]);
		const asked = url.searchParams.get('part');
		const part = shelf.find(({ id }) => id === asked) ?? null;
		const subject = { partId: part?.id ?? null, payloadId: part === null ? payload.id : null };
		const [measurements, records, changes] = await Promise.all([
			listMeasurements(crewId, subject),
			balancesWith<GimbalRecordDetail>(
				crewId,
				'gimbal',
				part === null ? { payloadId: payload.id } : { partId: part.id }
			),
			listGearChanges(crewId)
		]);
		return {
			payload,
			parts: shelf.filter(({ id }) => used.has(id) || id === part?.id),
			part,
			measurements,
			records,
			changes: changes.filter(({ subjectId }) => subjectId === part?.id)
		};
	});
