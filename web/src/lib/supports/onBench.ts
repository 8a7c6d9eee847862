import { invalidate } from '$app/navigation';
import { ask } from '$lib/keeping/ask';
import type { Person } from '$lib/model/person';

/** Remembers for a person what they have on the bench, so that the day line leads back to it. */
export async function putOnBench(
	person: Person,
	now: { payloadId?: string; rigId?: string; sledId?: string; craneId?: string }
): Promise<void> {
	const changed =
		(now.payloadId ?? person.payloadId) !== person.payloadId ||
		(now.rigId ?? person.rigId) !== person.rigId ||
		(now.sledId ?? person.sledId) !== person.sledId ||
		(now.craneId ?? person.craneId) !== person.craneId;
	if (!changed) return;
	const outcome = await ask('PATCH', '/api/me', now);
	if (outcome.ok) await invalidate('poise:stations');
}
