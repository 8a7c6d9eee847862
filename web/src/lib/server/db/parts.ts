import { and, asc, eq, inArray } from 'drizzle-orm';
import { v7 as newId } from 'uuid';
import type { NewPart, Part, PartKind, PartShape } from '$lib/model/part';
import { type Meanwhile, mergePart } from '$lib/model/partMerge';
import type { Payload } from '$lib/model/payload';
import { Refusal } from '../refusal';
import { partShape } from '../schemas/part';
import { fromStore, type StoredAs, toStore } from '../stored';
import { onceARequest } from '../requestMemory';
import { readable } from '../unreadable';
import { database, inTransaction } from './client';
import { parts, payloads, placements } from './schema';

type Row = Pick<typeof parts.$inferSelect, 'id' | 'name' | 'kind' | 'massKg' | 'shape'>;

const columns = { id: parts.id, name: parts.name, kind: parts.kind, massKg: parts.massKg, shape: parts.shape };

const shapeAs: StoredAs<PartShape> = { schema: partShape };
const toPart = (row: Row): Part => ({
	...row,
	kind: row.kind as PartKind,
	shape: fromStore(shapeAs, row.shape)
});

export async function listParts(crewId: string): Promise<Part[]> {
	const rows = await database().select(columns).from(parts).where(eq(parts.crewId, crewId)).orderBy(asc(parts.name));
	return readable('part', rows, toPart);
}

/** Only the parts that a build stands on: a shelf may hold thousands. */
export const listPartsOf = (
	crewId: string,
	{ platePartId, placements: stand }: Pick<Payload, 'platePartId' | 'placements'>
): Promise<Part[]> => {
	const ids = [...new Set([platePartId, ...stand.map(({ partId }) => partId)])].sort();
	return onceARequest(`parts ${crewId} ${ids.join(' ')}`, async () => {
		const rows = await database()
			.select(columns)
			.from(parts)
			.where(and(eq(parts.crewId, crewId), inArray(parts.id, ids)))
			.orderBy(asc(parts.name));
		return readable('part', rows, toPart);
	});
};

/** A part that nobody else can save until the transaction is over. */
export async function lockPart(crewId: string, id: string): Promise<Part> {
	const [row] = await database()
		.select(columns)
		.from(parts)
		.where(and(eq(parts.crewId, crewId), eq(parts.id, id)))
		.for('update');
	if (row === undefined) throw new Refusal('notFound', 'That part is not on the shelf any more.');
	return toPart(row);
}

export async function createPart(crewId: string, part: NewPart): Promise<Part> {
	const id = newId();
	await database()
		.insert(parts)
		.values({ id, crewId, ...part, shape: toStore(shapeAs, part.shape) });
	return { id, ...part };
}

export async function changePart(crewId: string, id: string, part: NewPart): Promise<Part> {
	const [row] = await database()
		.update(parts)
		.set({ ...part, shape: toStore(shapeAs, part.shape) })
		.where(and(eq(parts.crewId, crewId), eq(parts.id, id)))
		.returning(columns);
	if (row === undefined) throw new Refusal('notFound', 'That part is not on the shelf any more.');
	return toPart(row);
}

/** What somebody changed of a part since they began, over what stands there now: only the fields that they changed. */
export const savePart = (
	crewId: string,
	id: string,
	{ begun, ...wanted }: NewPart & { readonly begun?: NewPart }
): Promise<Part & { readonly meanwhile: readonly Meanwhile[] }> =>
	inTransaction(async () => {
		const { id: _, ...stands } = await lockPart(crewId, id);
		const { part, meanwhile } = mergePart(stands, begun ?? stands, wanted);
		return { ...(await changePart(crewId, id, part)), meanwhile };
	});

/** Takes a part off the shelf, unless a payload stands on it. */
export async function deletePart(crewId: string, id: string): Promise<void> {
	const used = await database()
		.selectDistinct({ name: payloads.name })
		.from(payloads)
		.leftJoin(placements, eq(placements.payloadId, payloads.id))
		.where(and(eq(payloads.crewId, crewId), eq(placements.partId, id)));
	const plates = await database()
		.select({ name: payloads.name })
		.from(payloads)
		.where(and(eq(payloads.crewId, crewId), eq(payloads.platePartId, id)));
	const names = [...new Set([...used, ...plates].map(({ name }) => name))];
	if (names.length > 0) throw new Refusal('inUse', `Still part of ${names.join(', ')}. Take it off there first.`);
	const gone = await database()
		.delete(parts)
		.where(and(eq(parts.crewId, crewId), eq(parts.id, id)))
		.returning({ id: parts.id });
	if (gone.length === 0) throw new Refusal('notFound', 'That part is not on the shelf any more.');
}
