import { kindOnShelf } from '$lib/supports/registry';
import { ownName } from '$lib/supports/components';
import { viewOf } from '$lib/supports/views';
import type { PageLoad } from './$types';

export const load: PageLoad = async ({ data, params }) => {
	const { key } = kindOnShelf(params.shelf);
	return { ...data, View: await viewOf(key, ownName(key, 'Shelf')) };
};
