import type { Payload } from '$lib/model/payload';

/** A build with its own variants, and every other build; each list in the order given. */
export function familyOf(
	own: Pick<Payload, 'id' | 'familyId'>,
	payloads: readonly Payload[]
): { readonly family: readonly Payload[]; readonly others: readonly Payload[] } {
	const related = ({ id, familyId }: Payload) => id === own.id || (familyId != null && familyId === own.familyId);
	return { family: payloads.filter(related), others: payloads.filter((each) => !related(each)) };
}
