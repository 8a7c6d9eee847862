import { type PaperKind, paperKinds } from '$lib/model/paper';
import { api, idOf, readBody } from '$lib/server/api';
import { changePaper, findPaper, savePaper } from '$lib/server/db/papers';
import { findPayload } from '$lib/server/db/payloads';
import { wantedChange } from '$lib/server/mergedSave';
import { Refusal } from '$lib/server/refusal';
import { paperSchemas } from '$lib/server/schemas/paper';
import type { RequestEvent } from './$types';

function kindOf(text: string): PaperKind {
	const kind = paperKinds.find((each) => each === text);
	if (kind === undefined) throw new Refusal('notFound');
	return kind;
}

export const GET = api((event: RequestEvent) =>
	findPaper(event.locals.crewId, idOf(event.params.id), kindOf(event.params.kind))
);

export const PUT = api(async (event: RequestEvent) => {
	const { crewId, person } = event.locals;
	const kind = kindOf(event.params.kind);
	const payload = await findPayload(crewId, idOf(event.params.id));
	await savePaper(crewId, person.id, payload.id, kind, await readBody(event, paperSchemas[kind]));
	return { saved: true };
});

/** Only what was changed since the page had it: what somebody else changed meanwhile stays, and the answer says so. */
export const PATCH = api(async (event: RequestEvent) => {
	const { crewId, person } = event.locals;
	const kind = kindOf(event.params.kind);
	const payload = await findPayload(crewId, idOf(event.params.id));
	const change = await readBody(event, wantedChange(paperSchemas[kind]));
	return changePaper(crewId, person.id, payload.id, kind, change);
});
