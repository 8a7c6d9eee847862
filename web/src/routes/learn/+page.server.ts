import { listGearChanges } from '$lib/server/db/gearChanges';
import { lessonOf } from '$lib/stations/logbook/learn.server';
import { pageLoad } from '$lib/server/page';
import { mostLeftOut } from '$lib/server/schemas/measurement';
import { unreadable } from '$lib/server/unreadable';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals: { crewId }, url }) =>
	pageLoad(async () => {
		const without = url.searchParams.getAll('without').slice(0, mostLeftOut);
		const [{ sheet, mark, names }, changes] = await Promise.all([lessonOf(crewId, without), listGearChanges(crewId)]);
		return { lesson: sheet, mark, changes, unreadable: unreadable(), names };
	});
