import { and, asc, desc, eq, inArray, sql } from 'drizzle-orm';
import { v7 as newId } from 'uuid';
import type { Payload, PayloadDraft } from '$lib/model/payload';
import { Refusal } from '../refusal';
import { database, type Queryable } from './client';
import { parts, payloads, placements } from './schema';

export async function listPayloads(crewId: string): Promise<Payload[]> {
	const rows = await database()
		.select()
		.from(payloads)
		.where(eq(payloads.crewId, crewId))
		.orderBy(desc(payloads.updatedAt), desc(payloads.id));
	return withPlacements(database(), rows);
}

export async function findPayload(crewId: string, id: string): Promise<Payload> {
	return readPayload(database(), crewId, id);
}

export async function createPayload(crewId: string, personId: string, draft: PayloadDraft): Promise<Payload> {
	const id = newId();
	return database().transaction(async (transaction) => {
		await refuseUnknownParts(transaction, crewId, draft);
		await transaction
			.insert(payloads)
			.values({ id, crewId, name: draft.name, platePartId: draft.platePartId, updatedBy: personId });
		await insertPlacements(transaction, crewId, id, draft);
		return readPayload(transaction, crewId, id);
	});
}

/** Saves over the version the person had in front of them; refuses as stale when somebody saved in between. */
export async function savePayload(
	crewId: string,
	personId: string,
	id: string,
	version: number,
	draft: PayloadDraft
): Promise<Payload> {
	return database().transaction(async (transaction) => {
		await refuseUnknownParts(transaction, crewId, draft);
		const [saved] = await transaction
			.update(payloads)
			.set({
				name: draft.name,
				platePartId: draft.platePartId,
				version: sql`${payloads.version} + 1`,
				updatedAt: sql`now()`,
				updatedBy: personId
			})
			.where(and(eq(payloads.crewId, crewId), eq(payloads.id, id), eq(payloads.version, version)))
			.returning({ version: payloads.version, updatedAt: payloads.updatedAt });
		if (saved === undefined) {
			await readPayload(transaction, crewId, id);
			throw new Refusal('stale');
		}
		await transaction.delete(placements).where(eq(placements.payloadId, id));
		await insertPlacements(transaction, crewId, id, draft);
		return { ...draft, id, version: saved.version, updatedAt: new Date(saved.updatedAt).toISOString() };
	});
}

export async function deletePayload(crewId: string, id: string): Promise<void> {
	const gone = await database()
		.delete(payloads)
		.where(and(eq(payloads.crewId, crewId), eq(payloads.id, id)))
		.returning({ id: payloads.id });
	if (gone.length === 0) throw new Refusal('notFound', 'That payload is gone already.');
}

async function readPayload(from: Queryable, crewId: string, id: string): Promise<Payload> {
	const rows = await from
		.select()
		.from(payloads)
		.where(and(eq(payloads.crewId, crewId), eq(payloads.id, id)));
	const [payload] = await withPlacements(from, rows);
	if (payload === undefined) throw new Refusal('notFound', 'That payload does not exist, or was deleted.');
	return payload;
}

async function withPlacements(from: Queryable, rows: (typeof payloads.$inferSelect)[]): Promise<Payload[]> {
	const ids = rows.map((row) => row.id);
	const standing =
		ids.length === 0
			? []
			: await from.select().from(placements).where(inArray(placements.payloadId, ids)).orderBy(asc(placements.ordinal));
	return rows.map((row) => ({
		id: row.id,
		name: row.name,
		platePartId: row.platePartId,
		version: row.version,
		updatedAt: new Date(row.updatedAt).toISOString(),
		placements: standing
			.filter(({ payloadId }) => payloadId === row.id)
			.map(({ id, partId, xM, yM, zM }) => ({ id, partId, positionM: [xM, yM, zM] as const }))
	}));
}

async function insertPlacements(into: Queryable, crewId: string, payloadId: string, draft: PayloadDraft) {
	if (draft.placements.length === 0) return;
	await into.insert(placements).values(
		draft.placements.map(({ id, partId, positionM: [xM, yM, zM] }, ordinal) => ({
			id,
			crewId,
			payloadId,
			partId,
			ordinal,
			xM,
			yM,
			zM
		}))
	);
}

/** Says which part is unknown at its field, before the database would refuse it without one. */
async function refuseUnknownParts(from: Queryable, crewId: string, draft: PayloadDraft): Promise<void> {
	const wanted = [draft.platePartId, ...draft.placements.map(({ partId }) => partId)];
	const rows = await from
		.select({ id: parts.id, kind: parts.kind })
		.from(parts)
		.where(and(eq(parts.crewId, crewId), inArray(parts.id, [...new Set(wanted)])));
	const kinds = new Map(rows.map(({ id, kind }) => [id, kind]));
	const fields: Record<string, string> = {};
	const plate = kinds.get(draft.platePartId);
	if (plate === undefined) fields.platePartId = 'That plate is not on the shelf.';
	else if (plate !== 'plate') fields.platePartId = 'Only a plate can carry the payload.';
	draft.placements.forEach(({ partId }, index) => {
		if (!kinds.has(partId)) fields[`placements.${index}.partId`] = 'That part is not on the shelf.';
	});
	if (Object.keys(fields).length > 0) throw new Refusal('invalid', undefined, fields);
}
