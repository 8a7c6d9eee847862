import { error } from '@sveltejs/kit';
import { kindOnShelf } from '$lib/supports/registry';
import { viewOf } from '$lib/supports/views';
import type { PageLoad } from './$types';

/** The editor of a support, or another sheet of its own, loaded when it is looked at. */
export const load: PageLoad = async ({ data, params }) => {
	const { key, ownSheets } = kindOnShelf(params.shelf);
	const sheet = ownSheets.find(({ path }) => path === params.sheet);
	if (sheet === undefined) error(404, `A ${key} has no sheet of that name.`);
	return { ...data, sheet, View: await viewOf(key, sheet.view) };
};
