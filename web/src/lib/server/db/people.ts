import { and, asc, eq } from 'drizzle-orm';
import type { Person, Thumb } from '$lib/model/person';
import { thumbRule } from '../schemas/person';
import { fromStore, type StoredAs, toStore } from '../stored';
import { onceARequest } from '../requestMemory';
import { readable } from '../unreadable';
import { database } from './client';
import { crews, people, supports } from './schema';

const personColumns = {
	id: people.id,
	name: people.name,
	units: people.units,
	theme: people.theme,
	payloadId: people.payloadId,
	supportId: people.supportId,
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

/** The crew and everybody in it, in one go: every request begins with this. */
export const findCrewWithPeople = () => onceARequest('crew', crewWithPeople);

async function crewWithPeople(): Promise<{ crew: { id: string; name: string }; people: Person[] } | null> {
	const rows = await database()
		.select({ crew: { id: crews.id, name: crews.name }, person: personColumns })
		.from(people)
		.innerJoin(crews, eq(crews.id, people.crewId))
		.leftJoin(supports, eq(supports.id, people.supportId))
		.orderBy(asc(crews.id), asc(people.name));
	const crew = rows[0]?.crew;
	if (crew === undefined) return null;
	return { crew, people: rows.filter((row) => row.crew.id === crew.id).map(({ person }) => toPerson(person)) };
}

export async function findCrew(): Promise<{ id: string; name: string } | undefined> {
	const [crew] = await database().select().from(crews).orderBy(asc(crews.id)).limit(1);
	return crew;
}

export async function listPeople(crewId: string): Promise<Person[]> {
	const rows = await database()
		.select(personColumns)
		.from(people)
		.leftJoin(supports, eq(supports.id, people.supportId))
		.where(eq(people.crewId, crewId))
		.orderBy(asc(people.name));
	return rows.map(toPerson);
}

export async function changePerson(
	crewId: string,
	personId: string,
	change: Partial<Pick<Person, 'units' | 'theme' | 'payloadId' | 'supportId' | 'thumb'>>
): Promise<void> {
	await database()
		.update(people)
		.set({ ...change, ...(change.thumb == null ? {} : { thumb: toStore(thumbAs, change.thumb) }) })
		.where(and(eq(people.crewId, crewId), eq(people.id, personId)));
}
