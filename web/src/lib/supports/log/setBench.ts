import { goto } from '$app/navigation';
import { ask } from '$lib/keeping/ask';
import { forget } from '$lib/keeping/kept';

/**
 * Puts a bench as it was worked out from the logbook, forgets what this browser kept of it, which is older, and goes
 * there. What went wrong, in words; empty: nothing.
 */
export async function setBench(
	kind: 'sled' | 'crane',
	supportId: string,
	payloadId: string,
	state: object
): Promise<string> {
	const outcome = await ask('PUT', `/api/${kind}-benches/${supportId}/${payloadId}`, state);
	if (!outcome.ok) return outcome.error.message;
	forget(`${kind}Bench.${supportId}.${payloadId}`);
	await goto(`/balance/${kind}/${supportId}/${payloadId}`, { invalidateAll: true });
	return '';
}
