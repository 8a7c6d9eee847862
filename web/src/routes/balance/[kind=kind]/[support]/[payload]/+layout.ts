import { ownName } from '$lib/supports/components';
import { viewOf } from '$lib/supports/views';
import type { LayoutLoad } from './$types';

/** The shell of the kind, loaded when a bench of that kind is looked at. */
export const load: LayoutLoad = async ({ data, params: { kind } }) => ({
	...data,
	Shell: await viewOf(kind, ownName(kind, 'Shell'))
});
