import { lessonFrom } from '$lib/stations/logbook/lesson';
import { balancesWith } from '$lib/server/db/balances';
import { listGearChanges } from '$lib/server/db/gearChanges';
import { listParts } from '$lib/server/db/parts';
import { listRigs } from '$lib/server/db/rigs';
import { pageLoad } from '$lib/server/page';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals: { crewId } }) =>
	pageLoad(async () => {
		const [records, shelf, rigs, changes] = await Promise.all([
			balancesWith(crewId, 'all', 80),
			listParts(crewId),
			listRigs(crewId),
			listGearChanges(crewId)
		]);
		return {
			lesson: lessonFrom(records, shelf, rigs),
			changes,
			names: Object.fromEntries([...shelf, ...rigs].map(({ id, name }) => [id, name]))
		};
	});
