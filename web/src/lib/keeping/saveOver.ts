import { ask, type Outcome } from './ask';

/**
 * Saves a whole over the version it was made from. When the server holds exactly that already, an earlier save did arrive
 * and only its answer was lost: that is no conflict.
 */
export async function saveOver<T extends { readonly version?: number }>(
	path: string,
	value: object,
	version: number
): Promise<Outcome<T>> {
	const outcome = await ask<T>('PUT', path, { ...value, version });
	if (outcome.ok || outcome.error.code !== 'stale') return outcome;
	const there = await ask<T>('GET', path);
	return there.ok && holds(there.value, value) ? there : outcome;
}

/** Every field of `wanted` stands in `held` with the same value; the order of fields says nothing. */
export function holds(held: unknown, wanted: unknown): boolean {
	if (typeof wanted !== 'object' || wanted === null) return Object.is(held, wanted);
	if (typeof held !== 'object' || held === null || Array.isArray(held) !== Array.isArray(wanted)) return false;
	if (Array.isArray(wanted) && (held as unknown[]).length !== wanted.length) return false;
	return Object.entries(wanted).every(
		([key, value]) => value === undefined || holds((held as Record<string, unknown>)[key], value)
	);
}
