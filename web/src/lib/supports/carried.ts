import type { Part } from '$lib/model/part';
import { type Payload, standingParts } from '$lib/model/payload';

/** Of the payloads that a support carries the one a person has on the bench, else the first; undefined: it carries none. */
export function carriedOn(
	support: { readonly leastPayloadKg: number; readonly greatestPayloadKg: number },
	payloads: readonly Payload[],
	shelf: ReadonlyMap<string, Part>,
	preferredId: string | null
): Payload | undefined {
	const carried = payloads.filter((payload) => {
		const kg = standingParts(payload, shelf).reduce((sum, { part }) => sum + part.massKg, 0);
		return kg >= support.leastPayloadKg && kg <= support.greatestPayloadKg;
	});
	return carried.find(({ id }) => id === preferredId) ?? carried[0];
}
