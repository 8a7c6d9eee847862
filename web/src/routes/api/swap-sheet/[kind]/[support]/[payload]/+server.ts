import { PhysicsInputError } from '@poise/core';
import { familyOf } from '$lib/stations/payload/family';
import { idOf, refuse } from '$lib/server/api';
import { listParts } from '$lib/server/db/parts';
import { findPayload, listPayloads } from '$lib/server/db/payloads';
import { Refusal } from '$lib/server/refusal';
import { papers, pdfOf } from '$lib/server/sheets/pdf';
import { swapSheet } from '$lib/server/sheets/swapSheet';
import { swapSheets } from '$lib/server/sheets/swapSheets';
import type { RequestHandler } from './$types';

const mostBuilds = 12;

/** The swap sheet of one payload and its kin on one support, as the server holds them now. */
export const GET: RequestHandler = async (event) => {
	const { crewId, person } = event.locals;
	const { kind } = event.params;
	try {
		if (kind !== 'gimbal' && kind !== 'sled' && kind !== 'crane') throw new Refusal('notFound');
		const asked = event.url.searchParams;
		const [payload, all, shelf] = await Promise.all([
			findPayload(crewId, idOf(event.params.payload)),
			listPayloads(crewId),
			listParts(crewId)
		]);
		const also = (asked.get('also') ?? '').split(',');
		const kin = familyOf(payload, all);
		const payloads = all.filter((each) => kin.family.includes(each) || also.includes(each.id)).slice(0, mostBuilds);
		const sheet = await swapSheets[kind]({
			crewId,
			supportId: idOf(event.params.support),
			payload,
			payloads,
			shelf,
			units: person.units,
			heads: (asked.get('heads') ?? '')
				.split(',')
				.filter((text) => /^\d{1,2}$/.test(text))
				.map(Number),
			to: asked.get('to') ?? ''
		});
		const paper = papers.find((each) => each === asked.get('paper')) ?? (person.units === 'imperial' ? 'LETTER' : 'A4');
		const pdf = await pdfOf(swapSheet(sheet, paper));
		return new Response(new Uint8Array(pdf), {
			headers: {
				'content-type': 'application/pdf',
				'content-disposition': 'inline; filename="swap-sheet.pdf"',
				'cache-control': 'no-store'
			}
		});
	} catch (thrown) {
		if (thrown instanceof PhysicsInputError)
			return refuse(new Refusal('invalid', `This cannot be worked out: ${thrown.message}.`), event);
		return refuse(thrown, event);
	}
};
