import { api, readBody } from '$lib/server/api';
import { changePerson, listPeople, putAtHand } from '$lib/server/db/people';
import { findPayload } from '$lib/server/db/payloads';
import { findSupport } from '$lib/server/db/supports';
import { Refusal } from '$lib/server/refusal';
import { personChange, personChoice } from '$lib/server/schemas/person';

export const PATCH = api(async (event) => {
	const change = await readBody(event, personChange);
	const { crewId, person } = event.locals;
	const { payloadId, supportId, ...self } = change;
	if (payloadId !== undefined) await findPayload(crewId, payloadId);
	const support = supportId === undefined ? null : await findSupport(crewId, supportId);
	await changePerson(crewId, person.id, self);
	await putAtHand(crewId, person.id, {
		...(payloadId === undefined ? {} : { payloadId }),
		...(supportId === undefined ? {} : { supportId })
	});
	return { ...person, ...change, ...(support === null ? {} : { supportKind: support.kind }) };
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
