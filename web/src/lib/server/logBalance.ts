import { PhysicsInputError } from '@poise/core';
import type { RecordDetail, RecordOf } from '$lib/model/balance';
import { mountedBodies, type Payload, standingParts } from '$lib/model/payload';
import { validated } from './api';
import { learnedTogether } from './benchData';
import { createBalance } from './db/log';
import { listParts } from './db/parts';
import { findPayload } from './db/payloads';
import { findSupport } from './db/supports';
import { serverKind } from './kinds';
import { Refusal } from './refusal';
import type { NewBalance } from './schemas/record';
import { needsItsParts } from './unreadable';

/**
 * Writes a balance into the logbook. The server works the figures out again from what it holds, so that a record never
 * rests on what a page happened to believe; it refuses when the payload has been saved since the page showed it.
 */
export async function logBalance(
	crewId: string,
	personId: string,
	entry: NewBalance,
	loggedAt?: string
): Promise<RecordOf<RecordDetail>> {
	const [payload, support, shelf] = await Promise.all([
		findPayload(crewId, entry.payloadId),
		findSupport(crewId, entry.supportId),
		listParts(crewId)
	]);
	const kind = serverKind(support.kind);
	const state: unknown = underState(() => validated(entry.state, kind.state.schema));
	if (payload.version !== entry.payloadVersion) throw new Refusal('stale');
	needsItsParts(payload, shelf);
	const bodies = mountedBodies(standingParts(payload, new Map(shelf.map((part) => [part.id, part]))));
	if (bodies.length < 2) throw new Refusal('invalid', 'This payload holds nothing to balance yet.');
	const learned = await learnedTogether(crewId, support, partsOf(payload, shelf));
	const { detail, ...stood } = workedOut(() =>
		underState(() => kind.record({ support, payload, bodies, state, learned }))
	);
	return createBalance(
		crewId,
		personId,
		{
			id: entry.id,
			kind: support.kind,
			payloadId: payload.id,
			supportId: support.id,
			payloadName: payload.name,
			supportName: support.name,
			...stood,
			note: entry.note,
			...(loggedAt === undefined ? {} : { loggedAt })
		},
		{ ...(detail as Omit<RecordDetail, 'snapshot'>), snapshot: { payload, parts: partsOf(payload, shelf) } }
	);
}

/** The parts that a payload is made of. */
function partsOf<Part extends { readonly id: string }>(payload: Payload, shelf: readonly Part[]): Part[] {
	const used = new Set([payload.platePartId, ...payload.placements.map(({ partId }) => partId)]);
	return shelf.filter(({ id }) => used.has(id));
}

/** Figures that the core refuses to work out are a refusal in words. */
export function workedOut<T>(work: () => T): T {
	try {
		return work();
	} catch (thrown) {
		if (thrown instanceof PhysicsInputError)
			throw new Refusal('invalid', `This cannot be worked out: ${thrown.message}.`);
		throw thrown;
	}
}

/** Fields of a refusal as they stand in what was sent. */
function underState<T>(work: () => T): T {
	try {
		return work();
	} catch (thrown) {
		if (!(thrown instanceof Refusal) || thrown.fields === undefined) throw thrown;
		const fields = Object.fromEntries(Object.entries(thrown.fields).map(([path, words]) => [`state.${path}`, words]));
		throw new Refusal(thrown.code, thrown.message, fields);
	}
}
