import { error } from '@sveltejs/kit';
import { knownKind } from '$lib/supports/registry';
import { viewOf } from '$lib/supports/views';
import type { PageLoad } from './$types';

/** The sheet, loaded when it is looked at. */
export const load: PageLoad = async ({ data, params }) => {
	const sheet = knownKind(params.kind).sheets.find(({ path }) => path === params.sheet);
	if (sheet === undefined) error(404, `A ${params.kind} has no sheet of that name.`);
	return { ...data, sheet, View: await viewOf(params.kind, sheet.view) };
};
