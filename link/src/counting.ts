/** Which counters of a session have been heard: each once, and none older than the window that reordering needs. */
export interface Counters {
	readonly highest: number;
	readonly seen: ReadonlySet<number>;
}
const window = 256;
export const noneHeard: Counters = { highest: 0, seen: new Set() };

/** The counters with this one too; null: it has been heard, or is too old to tell. */
export function hear({ highest, seen }: Counters, counter: number): Counters | null {
	if (!Number.isInteger(counter) || counter < 1 || counter <= highest - window || seen.has(counter)) return null;
	const top = Math.max(highest, counter);
	const kept = new Set(seen);
	kept.add(counter);
	if (kept.size > 2 * window) for (const each of kept) if (each <= top - window) kept.delete(each);
	return { highest: top, seen: kept };
}
