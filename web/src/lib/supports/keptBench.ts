import { ask } from '$lib/keeping/ask';
import { KeptDocument } from '$lib/keeping/keptDocument.svelte';
import { benchKey, type BenchReference } from './address';

/** How things stand at one bench, kept as they are changed; of every field that was changed the last word wins on the server. */
export const keptBench = <State>(bench: Omit<BenchReference, 'kind'>, state: State): KeptDocument<State> =>
	new KeptDocument(benchKey(bench), state, {
		put: (wanted, _, begun) => ask('PATCH', `/api/benches/${bench.supportId}/${bench.payloadId}`, { begun, wanted })
	});
