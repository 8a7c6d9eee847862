import { PhysicsInputError } from '@poise/core';

let last = '';
/** Once for a reason, not for every step of a drag. */
function note(reason: string): void {
	if (reason === last) return;
	last = reason;
	console.warn(`No figures: ${reason}`);
}

/**
 * What the figures come to; null where the core refuses to work them out from what is there, a plate with nothing on it, say.
 * The reason stands in the console, and goes to `because` for whoever shows it. Anything else is thrown on.
 */
export function tryFigures<T>(work: () => T, because: (reason: string) => void = note): T | null {
	try {
		return work();
	} catch (thrown) {
		if (!(thrown instanceof PhysicsInputError)) throw thrown;
		because(thrown.message);
		return null;
	}
}
