import type { GearChange } from '$lib/model/measurement';

/** Changes that were made at once: all of one lesson, or one by itself. */
export interface TakenTogether {
	readonly lessonId: string | null;
	readonly changes: readonly [GearChange, ...GearChange[]];
}

/** Changes in the order given, those of one lesson together where the first of them stands. */
export function takenTogether(changes: readonly GearChange[]): readonly TakenTogether[] {
	const groups = new Map<string, [GearChange, ...GearChange[]]>();
	for (const change of changes) {
		const key = change.lessonId ?? change.id;
		const group = groups.get(key);
		if (group === undefined) groups.set(key, [change]);
		else group.push(change);
	}
	return [...groups.values()].map((all) => ({ lessonId: all[0].lessonId, changes: all }));
}
