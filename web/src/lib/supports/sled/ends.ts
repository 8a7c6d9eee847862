import type { Limit } from '$lib/model/limits';
import { allowed } from '$lib/sheet/units/allowed';
import type { Travel } from './model';

/** A travel with one of its ends changed. */
export const withEnd = (travel: Travel, which: 0 | 1, value: number): Travel =>
	which === 0 ? [value, travel[1]] : [travel[0], value];

/** What an end of a travel may be: within its limit, and not past the other. */
export const endRule = (travel: Travel, which: 0 | 1, limit: Limit) => (value: number) =>
	allowed(limit, 'length')(value) ??
	((which === 0 ? value <= travel[1] : value >= travel[0]) ? null : 'The ends have changed places.');
