import { api, idOf, readBody } from '$lib/server/api';
import { createMeasurement, deleteMeasurement } from '$lib/server/db/measurements';
import { listParts } from '$lib/server/db/parts';
import { findPayload } from '$lib/server/db/payloads';
import { Refusal } from '$lib/server/refusal';
import { newMeasurement } from '$lib/server/schemas/measurement';

export const POST = api(async (event) => {
	const { crewId, person } = event.locals;
	const entry = await readBody(event, newMeasurement);
	if (entry.payloadId !== null) await findPayload(crewId, entry.payloadId);
	else if (!(await listParts(crewId)).some(({ id }) => id === entry.partId))
		throw new Refusal('notFound', 'That part is not on the shelf any more.');
	return createMeasurement(crewId, person.id, entry);
});

export const DELETE = api((event) =>
	deleteMeasurement(event.locals.crewId, idOf(event.url.searchParams.get('id') ?? undefined))
);
