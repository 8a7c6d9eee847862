import { ask } from '$lib/keeping/ask';
import type { Person } from '$lib/model/person';
import { refresh } from '$lib/shell/refresh';
import type { BenchReference } from './address';

/** Remembers for a person what they have in hand, and on which support, so that the day line leads back to it. */
export async function putOnBench(person: Person, now: Partial<BenchReference>): Promise<void> {
	const { payloadId = person.payloadId, supportId = person.supportId } = now;
	if (payloadId === person.payloadId && supportId === person.supportId) return;
	const outcome = await ask('PATCH', '/api/me', {
		...(payloadId === null ? {} : { payloadId }),
		...(supportId === null ? {} : { supportId })
	});
	if (outcome.ok) await refresh('poise:stations');
}
