import type { Role } from '$lib/model/access';
import type { Person } from '$lib/model/person';
import { crewWithPeople } from './db/people';
import { revisions } from './kept/revisions';

/** Who asks, and whose data that may be. */
export interface Session {
	readonly crew: { readonly id: string; readonly name: string };
	readonly person: Person;
	/** Everybody of the crew: whoever sits down says which of them they are. */
	readonly people: readonly Person[];
	readonly role: Role;
}

/**
 * The one place that says who asks: pages, kept pages, the API and the sockets of the desk come here with the headers they were asked
 * with. Null: nobody of any crew. One crew for now, and whoever is chosen on the page; sign-in replaces this function and nothing else.
 */
export async function sessionOf(headers: { readonly cookie: string | null }): Promise<Session | null> {
	const crew = await people();
	if (crew === null) return null;
	const chosen = cookieIn(headers.cookie ?? '', 'person');
	const person = crew.people.find(({ id }) => id === chosen) ?? crew.people[0];
	return person === undefined
		? null
		: { crew: { id: crew.id, name: crew.name }, person, people: crew.people, role: 'lead' };
}

type Crew = NonNullable<Awaited<ReturnType<typeof crewWithPeople>>>;
let known: { readonly crewId: string; readonly revision: string; readonly crew: Promise<Crew | null> } | null = null;

/** Asked of the database once for all who come while nothing of the crew is written; while that is not known, for each. */
async function people(): Promise<Crew | null> {
	if (known !== null && revisions.of(known.crewId) === known.revision) return known.crew;
	const [crewId, revision] = [known?.crewId ?? '', known === null ? null : revisions.of(known.crewId)];
	const asked = crewWithPeople();
	if (revision !== null) known = { crewId, revision, crew: asked };
	try {
		const crew = await asked;
		const now = crew === null ? null : revisions.of(crew.id);
		// The first time it is known whose revision it is: from the next time on it counts.
		if (crew !== null && now !== null && crew.id !== crewId) known = { crewId: crew.id, revision: '', crew: asked };
		return crew;
	} catch (thrown) {
		known = null;
		throw thrown;
	}
}

/** The first cookie of that name, as browsers send it. */
function cookieIn(header: string, name: string): string | null {
	for (const each of header.split(';')) {
		const [key, value] = each.split('=', 2);
		if (key?.trim() === name) return value?.trim() ?? null;
	}
	return null;
}
