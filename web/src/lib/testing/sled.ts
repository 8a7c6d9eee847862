import type { SledBenchState, SledRig } from '$lib/supports/sled/model';
import { sledFromPattern, sledPatterns } from '$lib/supports/sled/patterns';
import { freshSledState } from '$lib/supports/sled/state';

/** One of the patterns as a crew would have it. */
export function sled(pattern: 'light' | 'medium' | 'heavy'): SledRig {
	const found = sledPatterns.find(({ id }) => id === pattern);
	if (found === undefined) throw new Error(`There is no pattern ${pattern}`);
	return { id: pattern, version: 1, ...sledFromPattern(found, found.name) };
}

export const benchState = (of: SledRig, next: Partial<SledBenchState> = {}): SledBenchState => ({
	...freshSledState(of),
	shots: ['pans'],
	...next
});
