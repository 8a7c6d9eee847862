import { craneFromPattern, cranePatterns } from '$lib/supports/crane/patterns';
import { freshCraneState } from '$lib/supports/crane/state';
import type { CraneBenchState, CraneRig } from '$lib/supports/crane/model';

/** One of the patterns as a crew would have it. */
export function crane(pattern: 'handBuilt' | 'sectional' | 'studioJib'): CraneRig {
	const found = cranePatterns.find(({ id }) => id === pattern);
	if (found === undefined) throw new Error(`There is no pattern ${pattern}`);
	return { id: pattern, version: 1, ...craneFromPattern(found, found.name) };
}

export const craneState = (of: CraneRig, next: Partial<CraneBenchState> = {}): CraneBenchState => ({
	...freshCraneState(of.geometry),
	...next
});
