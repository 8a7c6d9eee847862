import { PhysicsInputError } from '@poise/core';
import { freshCraneState } from '$lib/supports/crane/state';
import { mountedBodies, standingParts } from '$lib/model/payload';
import { idOf, refuse } from '$lib/server/api';
import { findCrane, findCraneBench } from '$lib/server/db/cranes';
import { listParts } from '$lib/server/db/parts';
import { findPayload } from '$lib/server/db/payloads';
import { Refusal } from '$lib/server/refusal';
import { craneSheet } from '$lib/server/sheets/craneSheet';
import { pdfOf } from '$lib/server/sheets/pdf';
import type { RequestHandler } from './$types';

/** The crane sheet of one payload on one crane, as it stands on the server now. */
export const GET: RequestHandler = async (event) => {
	const { crewId, person } = event.locals;
	try {
		const [crane, payload, shelf] = await Promise.all([
			findCrane(crewId, idOf(event.params.crane)),
			findPayload(crewId, idOf(event.params.payload)),
			listParts(crewId)
		]);
		const bench = (await findCraneBench(crewId, crane.id, payload.id)) ?? freshCraneState(crane.geometry);
		const bodies = mountedBodies(standingParts(payload, new Map(shelf.map((part) => [part.id, part]))));
		if (bodies.length < 2) throw new Refusal('invalid', 'This payload holds nothing to weigh yet.');
		const sheet = craneSheet(crane, { name: payload.name, bodies }, bench, person.units, {
			by: person.name,
			at: new Date()
		});
		const pdf = await pdfOf(sheet);
		return new Response(new Uint8Array(pdf), {
			headers: {
				'content-type': 'application/pdf',
				'content-disposition': 'inline; filename="crane-sheet.pdf"',
				'cache-control': 'no-store'
			}
		});
	} catch (thrown) {
		if (thrown instanceof PhysicsInputError)
			return refuse(new Refusal('invalid', `This cannot be worked out: ${thrown.message}.`), event);
		return refuse(thrown, event);
	}
};
