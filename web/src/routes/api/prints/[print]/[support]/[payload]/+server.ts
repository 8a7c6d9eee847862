import { mountedBodies, standingParts } from '$lib/model/payload';
import { idOf, refuse } from '$lib/server/api';
import { learnedTogether } from '$lib/server/benchData';
import { findBench } from '$lib/server/db/benches';
import { listParts } from '$lib/server/db/parts';
import { findPayload, listPayloads } from '$lib/server/db/payloads';
import { findSupport } from '$lib/server/db/supports';
import { serverKind } from '$lib/server/kinds';
import { workedOut } from '$lib/server/logBalance';
import { Refusal } from '$lib/server/refusal';
import { papers, pdfOf } from '$lib/server/sheets/pdf';
import { familyOf } from '$lib/supports/swap/family';
import { hasItsParts, needsItsParts } from '$lib/server/unreadable';
import type { RequestHandler } from './$types';

const mostBuilds = 12;

/** A sheet to print of one payload and its kin on one support, as the server holds them now. */
export const GET: RequestHandler = async (event) => {
	const { crewId, person } = event.locals;
	const { print } = event.params;
	const query = event.url.searchParams;
	try {
		// Both before anything is asked for: a question nobody waits for any more would fail unheard.
		const [supportId, payloadId] = [idOf(event.params.support), idOf(event.params.payload)];
		const [support, payload, all, shelf] = await Promise.all([
			findSupport(crewId, supportId),
			findPayload(crewId, payloadId),
			listPayloads(crewId),
			listParts(crewId)
		]);
		const kind = serverKind(support.kind);
		const made = Object.hasOwn(kind.prints, print) ? kind.prints[print] : undefined;
		if (made === undefined) throw new Refusal('notFound', `A ${support.kind} has no such sheet to print.`);
		needsItsParts(payload, shelf);
		const bodies = mountedBodies(standingParts(payload, new Map(shelf.map((part) => [part.id, part]))));
		if (bodies.length < 2) throw new Refusal('invalid', 'This payload holds nothing to weigh yet.');
		const state: unknown = (await findBench(crewId, support.id, payload.id)) ?? kind.fresh(support);
		const also = (query.get('also') ?? '').split(',');
		const kin = familyOf(payload, all);
		const payloads = all
			.filter((each) => hasItsParts(each, shelf))
			.filter((each) => kin.family.includes(each) || also.includes(each.id))
			.slice(0, mostBuilds);
		const paper = papers.find((each) => each === query.get('paper')) ?? (person.units === 'imperial' ? 'LETTER' : 'A4');
		const learned = await learnedTogether(crewId, support, shelf);
		const pdf = await pdfOf(
			workedOut(() =>
				made(
					{ support, payload, bodies, state, learned },
					{ person, units: person.units, paper, payloads, shelf, query }
				)
			)
		);
		return new Response(new Uint8Array(pdf), {
			headers: {
				'content-type': 'application/pdf',
				'content-disposition': `inline; filename="${support.kind}-${print}.pdf"`,
				'cache-control': 'no-store'
			}
		});
	} catch (thrown) {
		return refuse(thrown, event);
	}
};
