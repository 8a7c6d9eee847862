import { goto } from '$app/navigation';
import { ask } from '$lib/keeping/ask';
import { forget } from '$lib/keeping/kept';
import { benchKey, benchPath, type BenchReference } from '$lib/supports/address';

/**
 * Puts a bench as it was worked out from the logbook, forgets what this browser kept of it, which is older, and goes
 * there. What went wrong, in words; empty: nothing.
 */
export async function setBench(bench: BenchReference, state: object): Promise<string> {
	const outcome = await ask('PUT', `/api/benches/${bench.supportId}/${bench.payloadId}`, state);
	if (!outcome.ok) return outcome.error.message;
	forget(benchKey(bench));
	await goto(benchPath(bench), { invalidateAll: true });
	return '';
}
