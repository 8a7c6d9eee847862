import { and, asc, eq } from 'drizzle-orm';
import type { Person, Thumb } from '$lib/model/person';
import { thumbRule } from '../schemas/person';
import { fromStore, type StoredAs, toStore } from '../stored';
import { readable } from '../unreadable';
import { database } from './client';
import { atHand, crews, people, supports } from './schema';

const personColumns = {
	id: people.id,
	name: people.name,
	units: people.units,
	theme: people.theme,
	payloadId: atHand.payloadId,
	supportId: atHand.supportId,
	supportKind: supports.kind,
	thumb: people.thumb
};

const thumbAs: StoredAs<Thumb> = { schema: thumbRule };
/** A thumb that cannot be read is to be measured again; it closes no page. */
const toPerson = <Row extends { readonly id: string; readonly name: string; readonly thumb: unknown }>(row: Row) => {
	const { thumb, ...rest } = row;
	const read = thumb === null ? [] : readable('how late a thumb is', [row], () => fromStore(thumbAs, thumb));
	return { ...rest, thumb: read[0] ?? null };
};

interface CrewWithPeople {
	readonly id: string;
	readonly name: string;
	readonly people: readonly Person[];
}
/** The crew and everybody in it, in one go: every request begins with this. */
export async function crewWithPeople(): Promise<CrewWithPeople | null> {
	const rows = await database()
		.select({ crew: { id: crews.id, name: crews.name }, person: personColumns })
		.from(people)
		.innerJoin(crews, eq(crews.id, people.crewId))
		.leftJoin(atHand, eq(atHand.personId, people.id))
		.leftJoin(supports, eq(supports.id, atHand.supportId))
		.orderBy(asc(crews.id), asc(people.name));
	const crew = rows[0]?.crew;
	if (crew === undefined) return null;
	return { ...crew, people: rows.filter((row) => row.crew.id === crew.id).map(({ person }) => toPerson(person)) };
}

export async function findCrew(): Promise<{ id: string; name: string } | undefined> {
	const [crew] = await database().select().from(crews).orderBy(asc(crews.id)).limit(1);
	return crew;
}

export async function listPeople(crewId: string): Promise<Person[]> {
	const rows = await database()
		.select(personColumns)
		.from(people)
		.leftJoin(atHand, eq(atHand.personId, people.id))
		.leftJoin(supports, eq(supports.id, atHand.supportId))
		.where(eq(people.crewId, crewId))
		.orderBy(asc(people.name));
	return rows.map(toPerson);
}

/** What a person says of themselves. */
export async function changePerson(
	crewId: string,
	personId: string,
	{ thumb, ...rest }: Partial<Pick<Person, 'units' | 'theme' | 'thumb'>>
): Promise<void> {
	const change = { ...rest, ...(thumb == null ? {} : { thumb: toStore(thumbAs, thumb) }) };
	if (Object.keys(change).length === 0) return;
	await database()
		.update(people)
		.set(change)
		.where(and(eq(people.crewId, crewId), eq(people.id, personId)));
}

/** What a person has on the bench from now on. */
export async function putAtHand(
	crewId: string,
	personId: string,
	now: Partial<Pick<Person, 'payloadId' | 'supportId'>>
): Promise<void> {
	if (Object.keys(now).length === 0) return;
	await database()
		.insert(atHand)
		.values({ crewId, personId, ...now })
		.onConflictDoUpdate({ target: atHand.personId, set: now });
}
