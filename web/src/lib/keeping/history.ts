/** A value with what it was and what was undone. Plain data, so that it can be kept over a reload. */
export interface History<T> {
	readonly past: readonly T[];
	readonly present: T;
	readonly future: readonly T[];
	/** What the last change was about; a further change about the same thing joins it into one step. */
	readonly about: string | null;
}

const mostSteps = 200;

export const begin = <T>(present: T): History<T> => ({ past: [], present, future: [], about: null });

/** One more step; a change with the same `about` as the last (one drag, one field being typed in) replaces it. */
export function change<T>(history: History<T>, next: T, about: string | null = null): History<T> {
	const joins = about !== null && about === history.about;
	const past = joins ? history.past : [...history.past, history.present].slice(-mostSteps);
	return { past, present: next, future: [], about };
}

/** Ends a drag or a field, so that the next change is a step of its own. */
export const settle = <T>(history: History<T>): History<T> => ({ ...history, about: null });

export function undo<T>(history: History<T>): History<T> {
	const last = history.past[history.past.length - 1];
	if (last === undefined) return history;
	return {
		past: history.past.slice(0, -1),
		present: last,
		future: [history.present, ...history.future],
		about: null
	};
}

export function redo<T>(history: History<T>): History<T> {
	const [next, ...future] = history.future;
	if (next === undefined) return history;
	return { past: [...history.past, history.present], present: next, future, about: null };
}
