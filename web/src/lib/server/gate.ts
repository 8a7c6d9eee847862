import PQueue from 'p-queue';
import { Refusal } from './refusal';

export interface Gate {
	/** Runs the work in its turn; saves before pages. Refuses as `busy` when too many wait already. */
	<T>(work: () => Promise<T>, isSave: boolean): Promise<T>;
}

/**
 * So many requests are answered at once, and so many wait for their turn: with more, the last to come are told to come again, and nobody
 * waits until the database gives up on all of them.
 */
export function gateOf({ atOnce, waiting }: { readonly atOnce: number; readonly waiting: number }): Gate {
	const queue = new PQueue({ concurrency: atOnce });
	return async <T>(work: () => Promise<T>, isSave: boolean): Promise<T> => {
		// A save is let in where a page no longer is.
		if (queue.size >= (isSave ? 2 : 1) * waiting) throw new Refusal('busy');
		return (await queue.add(work, { priority: isSave ? 1 : 0 })) as T;
	};
}
