import { ask } from '$lib/keeping/ask';
import type { WornSetup } from './model';
import { KeptDocument } from '$lib/keeping/keptDocument.svelte';

/** Nobody has worn this sled yet: an operator of middling height, the arm on the right. */
export const freshWorn: WornSetup = {
	armSide: 'right',
	reversed: false,
	fitted: [],
	stance: { carryHeightM: 1.05, standOffM: 0.7, hipHeightM: 0.92, strideM: 0.7 }
};

/** How one person wears one sled, kept as it is typed. */
export const keptWorn = (sledId: string, personId: string, worn: WornSetup | null): KeptDocument<WornSetup> =>
	new KeptDocument(`worn.${sledId}.${personId}`, worn ?? freshWorn, {
		put: (wanted, _, begun) => ask('PATCH', `/api/supports/sled/${sledId}/setup`, { begun, wanted })
	});
