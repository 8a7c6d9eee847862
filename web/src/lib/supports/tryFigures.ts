import { PhysicsInputError } from '@poise/core';

/** What the figures come to; null where they cannot be worked out from what is there, a plate with nothing on it, say. Anything else is thrown on. */
export function tryFigures<T>(work: () => T): T | null {
	try {
		return work();
	} catch (thrown) {
		if (thrown instanceof PhysicsInputError) return null;
		throw thrown;
	}
}
