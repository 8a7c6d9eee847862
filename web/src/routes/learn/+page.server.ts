import { lessonFrom } from '$lib/stations/logbook/lesson';
import { balancesWith } from '$lib/server/db/log';
import { listGearChanges } from '$lib/server/db/gearChanges';
import { listParts } from '$lib/server/db/parts';
import { listSupports } from '$lib/server/db/supports';
import type { GimbalRecordDetail, GimbalGeometry } from '$lib/supports/gimbal/model';
import { pageLoad } from '$lib/server/page';
import { unreadable } from '$lib/server/unreadable';
import type { PageServerLoad } from './$types';

/** More are not left out one by one: something else is wrong. */
const mostLeftOut = 20;

export const load: PageServerLoad = ({ locals: { crewId }, url }) =>
	pageLoad(async () => {
		const [records, shelf, rigs, changes] = await Promise.all([
			balancesWith<GimbalRecordDetail>(crewId, 'gimbal', 'all', 80),
			listParts(crewId),
			listSupports<GimbalGeometry>(crewId, 'gimbal'),
			listGearChanges(crewId)
		]);
		return {
			lesson: lessonFrom(records, shelf, rigs, url.searchParams.getAll('without').slice(0, mostLeftOut)),
			changes,
			unreadable: unreadable(),
			names: Object.fromEntries([...shelf, ...rigs].map(({ id, name }) => [id, name]))
		};
	});
