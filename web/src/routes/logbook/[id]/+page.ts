import { ownName } from '$lib/supports/components';
import { viewOf } from '$lib/supports/views';
import type { PageLoad } from './$types';

/** The record as its kind shows it. */
export const load: PageLoad = async ({ data }) => ({
	...data,
	View: await viewOf(data.record.kind, ownName(data.record.kind, 'RecordView'))
});
