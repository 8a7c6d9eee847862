import equal from 'fast-deep-equal';

/** As it arrives elsewhere: fields that are undefined are none. */
const sent = (value: unknown): unknown => (value === undefined ? undefined : JSON.parse(JSON.stringify(value)));

/** Both say the same; the order of fields says nothing. */
export const same = (a: unknown, b: unknown): boolean => equal(sent(a), sent(b));

/** Every field of `wanted`, however deep, stands in `held` with the same value; `held` may have more of its own. */
export function holds(held: unknown, wanted: unknown): boolean {
	if (typeof wanted !== 'object' || wanted === null) return Object.is(held, wanted);
	if (typeof held !== 'object' || held === null || Array.isArray(held) !== Array.isArray(wanted)) return false;
	if (Array.isArray(wanted) && (held as unknown[]).length !== wanted.length) return false;
	return Object.entries(wanted).every(
		([key, value]) => value === undefined || holds((held as Record<string, unknown>)[key], value)
	);
}
