import { ownName } from '$lib/supports/components';
import { twoUpOf, viewOf } from '$lib/supports/views';
import type { PageLoad } from './$types';

/** What the two records' kinds draw and lay side by side. */
export const load: PageLoad = async ({ data }) => {
	const { a, b } = data;
	const drawing = (record: typeof a) =>
		record === null ? null : viewOf(record.kind, ownName(record.kind, 'RecordDrawing'));
	const [DrawingA, DrawingB, twoUp] = await Promise.all([
		drawing(a),
		drawing(b),
		a === null || b === null || a.kind !== b.kind ? null : twoUpOf(a.kind)
	]);
	return { ...data, DrawingA, DrawingB, twoUp };
};
