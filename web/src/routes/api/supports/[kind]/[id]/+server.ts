import type { GearDraft } from '$lib/model/gear';
import { api, idOf, readBody } from '$lib/server/api';
import { deleteSupport, findSupport, saveSupport } from '$lib/server/db/supports';
import { serverKind } from '$lib/server/kinds';
import { version } from '$lib/server/schemas/quantities';
import type { RequestEvent } from './$types';

export const GET = api(({ locals, params }: RequestEvent) => findSupport(locals.crewId, idOf(params.id), params.kind));

/** Over the version it was made from. */
export const PUT = api(async (event: RequestEvent) => {
	const { kind, id } = event.params;
	const schema = serverKind(kind).draft.append<GearDraft<unknown> & { version: number }>({ version: version() });
	const { version: over, ...draft } = await readBody(event, schema);
	return saveSupport(event.locals.crewId, event.locals.person.id, { id: idOf(id), kind, version: over }, draft);
});

export const DELETE = api(({ locals, params }: RequestEvent) => {
	serverKind(params.kind);
	return deleteSupport(locals.crewId, params.kind, idOf(params.id));
});
