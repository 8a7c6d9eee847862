import { idOf } from '$lib/server/api';
import { sheetDoors } from '$lib/server/benchData';
import { listParts } from '$lib/server/db/parts';
import { listPayloads } from '$lib/server/db/payloads';
import { findSupport } from '$lib/server/db/supports';
import { serverKind } from '$lib/server/kinds';
import { pageLoad } from '$lib/server/page';
import { moduleOf } from '$lib/supports/components';
import { kindOnShelf } from '$lib/supports/registry';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals, params }) =>
	pageLoad(async () => {
		const { crewId, person } = locals;
		const { key, ownSheets } = kindOnShelf(params.shelf);
		const sheet = ownSheets.find(({ path }) => path === params.sheet);
		if (sheet !== undefined) locals.shown.push(moduleOf(key, sheet.view));
		const support = await findSupport(crewId, idOf(params.id), key);
		const { ownSheetData } = serverKind(key);
		const more =
			ownSheetData !== undefined && Object.hasOwn(ownSheetData, params.sheet) ? ownSheetData[params.sheet] : undefined;
		const [payloads, shelf, own] = await Promise.all([
			listPayloads(crewId),
			listParts(crewId),
			more?.(sheetDoors(crewId, person, support)) ?? {}
		]);
		return { support, payloads, shelf, ...own };
	});
