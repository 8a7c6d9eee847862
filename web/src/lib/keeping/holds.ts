/** Every field of `wanted` stands in `held` with the same value; the order of fields says nothing. */
export function holds(held: unknown, wanted: unknown): boolean {
	if (typeof wanted !== 'object' || wanted === null) return Object.is(held, wanted);
	if (typeof held !== 'object' || held === null || Array.isArray(held) !== Array.isArray(wanted)) return false;
	if (Array.isArray(wanted) && (held as unknown[]).length !== wanted.length) return false;
	return Object.entries(wanted).every(
		([key, value]) => value === undefined || holds((held as Record<string, unknown>)[key], value)
	);
}
