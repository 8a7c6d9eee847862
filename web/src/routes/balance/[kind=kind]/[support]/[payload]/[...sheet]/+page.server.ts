import { sheetDoors } from '$lib/server/benchData';
import { serverKind } from '$lib/server/kinds';
import { pageLoad } from '$lib/server/page';
import { moduleOf } from '$lib/supports/components';
import { knownKind } from '$lib/supports/registry';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals, params, parent }) =>
	pageLoad(async () => {
		const sheet = knownKind(params.kind).sheets.find(({ path }) => path === params.sheet);
		if (sheet !== undefined) locals.shown.push(moduleOf(params.kind, sheet.view));
		const { sheetData } = serverKind(params.kind);
		const more =
			sheetData !== undefined && Object.hasOwn(sheetData, params.sheet) ? sheetData[params.sheet] : undefined;
		if (more === undefined) return {};
		const { support, bench } = await parent();
		return more(sheetDoors(locals.crewId, locals.person, support), bench);
	});
