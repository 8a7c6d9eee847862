import { invalidate } from '$app/navigation';
import { navigating } from '$app/state';

/**
 * Has what hangs on `what` loaded anew, once a page that is being opened is there: asking before would call that way off, and
 * leave a person where they just left.
 */
export async function refresh(what: 'poise:stations' | 'poise:shelf' | 'poise:record'): Promise<void> {
	for (let waits = 0; navigating.complete !== null && waits < 5; waits += 1) await navigating.complete.catch(() => {});
	await invalidate(what);
}
