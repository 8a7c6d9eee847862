import { PhysicsInputError } from '@poise/core';
import { mountedBodies, standingParts } from '$lib/model/payload';
import { type Turnings } from '$lib/model/turning';
import { motorsOf, speakingAxis } from './figures';
import { freshFeel, freshSheet } from './fresh';
import { noShots } from './shots';
import { idOf } from '$lib/server/api';
import { learnedTogether } from '$lib/server/benchData';
import { findBench } from '$lib/server/db/benches';
import { findFeelPaper } from './papers.server';
import { findPaper } from '$lib/server/db/papers';
import { listPartsOf } from '$lib/server/db/parts';
import { findPayload } from '$lib/server/db/payloads';
import { findSupport } from '$lib/server/db/supports';
import { serverKind } from '$lib/server/kinds';
import { Refusal } from '$lib/server/refusal';
import { needsItsParts } from '$lib/server/unreadable';

/** Everything the sheets of Feel show of one payload on one gimbal. */
export async function feelData(crewId: string, params: { readonly support: string; readonly payload: string }) {
	const [supportId, payloadId] = [idOf(params.support), idOf(params.payload)];
	const [support, [payload, shelf], state, power, sheet, setting, shots] = await Promise.all([
		findSupport(crewId, supportId),
		findPayload(crewId, payloadId).then(async (found) => [found, await listPartsOf(crewId, found)] as const),
		findBench(crewId, supportId, payloadId),
		findPaper(crewId, payloadId, 'power'),
		findFeelPaper(crewId, { kind: 'sheet', supportId, payloadId: null }),
		findFeelPaper(crewId, { kind: 'setting', supportId, payloadId }),
		findFeelPaper(crewId, { kind: 'shots', supportId: null, payloadId: null })
	]);
	const kind = serverKind(support.kind);
	if (kind.turning === undefined)
		throw new Refusal('notFound', 'Nothing of this support follows a hand. Feel is for what has motors.');
	needsItsParts(payload, shelf);
	const bodies = mountedBodies(standingParts(payload, new Map(shelf.map((part) => [part.id, part]))));
	const learned = await learnedTogether(crewId, support, shelf);
	const turnings = turningsOf(() =>
		kind.turning!({ support, payload, bodies, state: state ?? kind.fresh(support), learned })
	);
	const motors = motorsOf(turnings);
	const sheetNow = sheet ?? { value: freshSheet(motors), version: 0 };
	return {
		support: { id: support.id, kind: support.kind, name: support.name, greatestPayloadKg: support.greatestPayloadKg },
		payload: { id: payload.id, name: payload.name, version: payload.version, bare: payload.placements.length === 0 },
		massKg: bodies.reduce((sum, { body }) => sum + body.massKg, 0),
		turnings,
		power,
		balanced: state !== null,
		/** What was once written on the gimbal itself, for whoever writes its sheet for the first time. */
		modesBefore: sheet === null ? modesBefore(support.geometry) : [],
		sheet: sheetNow,
		setting: setting ?? { value: freshFeel(sheetNow.value, speakingAxis(turnings) ?? 'pan'), version: 0 },
		shots: shots ?? { value: noShots, version: 0 }
	};
}

/** A payload that cannot be worked out turns nothing; the page says so. */
function turningsOf(work: () => Turnings): Turnings {
	try {
		return work();
	} catch (thrown) {
		if (thrown instanceof PhysicsInputError) return {};
		throw thrown;
	}
}

const modesBefore = (geometry: unknown): string[] =>
	((geometry as { readonly modes?: readonly { readonly name: string; readonly presses: string }[] }).modes ?? []).map(
		({ name, presses }) => (presses === '' ? name : `${name}: ${presses}`)
	);
