import type { Covariance } from '@poise/core';
import { checksLeft } from '$lib/model/paper';
import type { Part } from '$lib/model/part';
import type { Person } from '$lib/model/person';
import { idOf } from './api';
import { findBench } from './db/benches';
import { taughtChanges } from './db/gearChanges';
import { findPaper } from './db/papers';
import { listParts, listPartsOf } from './db/parts';
import { findPayload, listPayloads } from './db/payloads';
import { findSetup, listEntries } from './db/supportNotes';
import { findSupport } from './db/supports';
import { listVenues } from './db/venues';
import { serverKind } from './kinds';
import type { SheetDoors } from './supportKind';
import { needsItsParts, orNone, unreadable } from './unreadable';

/** Everything the sheets of one payload on one support show. */
export async function benchData(
	crewId: string,
	params: { readonly kind: string; readonly support: string; readonly payload: string }
) {
	const [supportId, payloadId] = [idOf(params.support), idOf(params.payload)];
	const [support, [payload, shelf], bench, checklist] = await Promise.all([
		findSupport(crewId, supportId, params.kind),
		findPayload(crewId, payloadId).then(async (found) => [found, await listPartsOf(crewId, found)] as const),
		// How it stood last, and its checklist: where either cannot be read the bench begins anew, and says so.
		orNone('how this stood last', { id: supportId }, () => findBench(crewId, supportId, payloadId)),
		orNone('checklist', { id: payloadId }, () => findPaper(crewId, payloadId, 'checklist'))
	]);
	needsItsParts(payload, shelf);
	return {
		support,
		payload,
		bench,
		learned: await learnedTogether(crewId, support, shelf),
		checksOpen: checklist === null ? 0 : checksLeft(checklist),
		/** Of the shelf only what this payload is built from. */
		shelf,
		unreadable: unreadable()
	};
}

/** How unsure what balances taught of these parts and this support's zeros is, together; null where it is not known, or cannot be read: each by itself then. */
export async function learnedTogether(
	crewId: string,
	support: { readonly id: string; readonly kind: string; readonly geometry: unknown },
	shelf: readonly Part[]
): Promise<Covariance | null> {
	const { learned } = serverKind(support.kind);
	if (learned === undefined) return null;
	const changes = await taughtChanges(crewId, { partIds: shelf.map(({ id }) => id), supportId: support.id });
	return learned(shelf, support, changes);
}

/** What single sheets of a support ask for on top. */
export function sheetDoors(
	crewId: string,
	person: Person,
	support: { readonly id: string; readonly kind: string }
): SheetDoors {
	return {
		venues: () => listVenues(crewId),
		builds: async () => {
			const [payloads, shelf] = await Promise.all([listPayloads(crewId), listParts(crewId)]);
			return { payloads, shelf };
		},
		entries: () => listEntries(crewId, support),
		setup: () => findSetup(crewId, support, person.id)
	};
}
