import { api, idOf, readBody, validated } from '$lib/server/api';
import { addEntry, deleteEntry, listEntries } from '$lib/server/db/supportNotes';
import { findSupport } from '$lib/server/db/supports';
import { serverKind } from '$lib/server/kinds';
import { Refusal } from '$lib/server/refusal';
import { noted } from '$lib/server/schemas/record';
import type { RequestEvent } from './$types';

const supportOf = ({ locals, params }: RequestEvent) => findSupport(locals.crewId, idOf(params.id), params.kind);

export const GET = api(async (event: RequestEvent) => listEntries(event.locals.crewId, await supportOf(event)));

/** Notes something about the support; with an id of the page's own, sending it twice notes it once. */
export const POST = api(async (event: RequestEvent) => {
	const { crewId, person } = event.locals;
	const { id, ...given } = await readBody(event, noted);
	const as = serverKind(event.params.kind).entry;
	if (as === undefined) throw new Refusal('notFound', `Nothing is noted about a ${event.params.kind}.`);
	const entry: object = validated(given, as.schema);
	const support = await supportOf(event);
	await addEntry(crewId, person.id, support, entry, { id });
	return listEntries(crewId, support);
});

export const DELETE = api(async (event: RequestEvent) => {
	const { crewId } = event.locals;
	const support = await supportOf(event);
	await deleteEntry(crewId, support.id, idOf(event.url.searchParams.get('entry') ?? undefined));
	return listEntries(crewId, support);
});
