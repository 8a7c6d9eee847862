import { api, readBody } from '$lib/server/api';
import { changePerson, listPeople } from '$lib/server/db/people';
import { findPayload } from '$lib/server/db/payloads';
import { findRig } from '$lib/server/db/rigs';
import { findCrane } from '$lib/server/db/cranes';
import { findSled } from '$lib/server/db/sleds';
import { Refusal } from '$lib/server/refusal';
import { personChange, personChoice } from '$lib/server/schemas/person';

export const PATCH = api(async (event) => {
	const change = await readBody(event, personChange);
	const { crewId, person } = event.locals;
	if (change.payloadId !== undefined) await findPayload(crewId, change.payloadId);
	if (change.rigId !== undefined) await findRig(crewId, change.rigId);
	if (change.sledId !== undefined) await findSled(crewId, change.sledId);
	if (change.craneId !== undefined) await findCrane(crewId, change.craneId);
	// A payload lies on one bench at a time.
	const others = (['rigId', 'sledId', 'craneId'] as const).filter((field) => change[field] === undefined);
	const bench = others.length === 3 ? {} : Object.fromEntries(others.map((field) => [field, null]));
	await changePerson(crewId, person.id, { ...change, ...bench });
	return { ...person, ...change, ...bench };
});

/** Another person takes over this screen. */
export const PUT = api(async (event) => {
	const { personId } = await readBody(event, personChoice);
	const person = (await listPeople(event.locals.crewId)).find(({ id }) => id === personId);
	if (person === undefined) throw new Refusal('invalid', undefined, { personId: 'That person is not in this crew.' });
	const year = 365 * 24 * 3600;
	event.cookies.set('person', person.id, { path: '/', httpOnly: true, sameSite: 'lax', secure: false, maxAge: year });
	return person;
});
