import { api, readBody } from '$lib/server/api';
import { createSupport, listSupports } from '$lib/server/db/supports';
import { serverKind } from '$lib/server/kinds';
import type { RequestEvent } from './$types';

export const GET = api(({ locals, params }: RequestEvent) => {
	serverKind(params.kind);
	return listSupports(locals.crewId, params.kind);
});

export const POST = api(async (event: RequestEvent) => {
	const { kind } = event.params;
	return createSupport(
		event.locals.crewId,
		event.locals.person.id,
		kind,
		await readBody(event, serverKind(kind).draft)
	);
});
