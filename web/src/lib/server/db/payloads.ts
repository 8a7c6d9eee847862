import { and, asc, desc, eq, inArray, sql, type SQL } from 'drizzle-orm';
import { v7 as newId } from 'uuid';
import type { Payload, PayloadCorrection, PayloadDraft } from '$lib/model/payload';
import { Refusal } from '../refusal';
import { correction as correctionSchema } from '../schemas/payload';
import { fromStore, type StoredAs, toStore } from '../stored';
import { onceARequest } from '../requestMemory';
import { readable } from '../unreadable';
import { database, inTransaction, type Queryable } from './client';
import { documentName, noteEdit, forgetEdits } from './edits';
import { attitudeAs, saveWhereItStands } from './savedParts';
import { parts, payloads, placements } from './schema';

const correctionAs: StoredAs<PayloadCorrection> = { schema: correctionSchema };
const storedCorrection = (correction: PayloadCorrection | null | undefined) =>
	correction == null ? null : toStore(correctionAs, correction);

/** How somebody left a build: the draft itself, which holds no more than ids, places and names. */
const contentOf = ({ name, platePartId, placements: stand, correction = null }: PayloadDraft) => ({
	...{ shape: 1, name, platePartId },
	...{ placements: stand, correction }
});
const notePayload = (crewId: string, personId: string, id: string, draft: PayloadDraft) =>
	noteEdit(crewId, personId, documentName.payload(id), contentOf(draft));

export async function listPayloads(crewId: string): Promise<Payload[]> {
	return readable('payload', await builds(database(), eq(payloads.crewId, crewId)), payloadOf);
}

export const findPayload = (crewId: string, id: string): Promise<Payload> =>
	onceARequest(`payload ${crewId} ${id}`, () => readPayload(database(), crewId, id));

/** A new build; `variantOf` names one it is a variant of, which then shares its family. */
export async function createPayload(
	crewId: string,
	personId: string,
	draft: PayloadDraft,
	variantOf?: string
): Promise<Payload> {
	const id = newId();
	return inTransaction(async () => {
		const transaction = database();
		await refuseUnknownParts(transaction, crewId, draft);
		const familyId = variantOf === undefined ? null : await joinFamily(transaction, crewId, variantOf);
		await transaction.insert(payloads).values({
			id,
			crewId,
			name: draft.name,
			platePartId: draft.platePartId,
			familyId,
			correction: storedCorrection(draft.correction),
			updatedBy: personId
		});
		await insertPlacements(transaction, crewId, id, draft);
		await notePayload(crewId, personId, id, draft);
		return readPayload(transaction, crewId, id);
	});
}

/** The family of a build, made from its own id where it had none. */
async function joinFamily(into: Queryable, crewId: string, id: string): Promise<string> {
	const [row] = await into
		.update(payloads)
		.set({ familyId: sql`coalesce(${payloads.familyId}, ${payloads.id})` })
		.where(and(eq(payloads.crewId, crewId), eq(payloads.id, id)))
		.returning({ familyId: payloads.familyId });
	if (row?.familyId == null) throw new Refusal('notFound', 'The build this is a variant of does not exist any more.');
	return row.familyId;
}

/** Saves over the version the person had in front of them; refuses as stale when somebody saved in between. */
export async function savePayload(
	crewId: string,
	personId: string,
	id: string,
	version: number,
	draft: PayloadDraft
): Promise<Payload> {
	const document = documentName.payload(id);
	const correction = storedCorrection(draft.correction);
	const stood = await saveWhereItStands(draft, {
		...{ crewId, personId, id, version, correction },
		...{ document, content: contentOf(draft) }
	});
	if (stood !== null) return { ...draft, correction: draft.correction ?? null, id, ...stood };
	return inTransaction(async () => {
		const transaction = database();
		await refuseUnknownParts(transaction, crewId, draft);
		const [saved] = await transaction
			.update(payloads)
			.set({
				name: draft.name,
				platePartId: draft.platePartId,
				correction,
				version: sql`${payloads.version} + 1`,
				updatedAt: sql`now()`,
				updatedBy: personId
			})
			.where(and(eq(payloads.crewId, crewId), eq(payloads.id, id), eq(payloads.version, version)))
			.returning({ version: payloads.version, updatedAt: payloads.updatedAt, familyId: payloads.familyId });
		if (saved === undefined) {
			await readPayload(transaction, crewId, id);
			throw new Refusal('stale');
		}
		await transaction.delete(placements).where(eq(placements.payloadId, id));
		await insertPlacements(transaction, crewId, id, draft);
		await notePayload(crewId, personId, id, draft);
		const { version: newVersion, familyId, updatedAt } = saved;
		return {
			...draft,
			correction: draft.correction ?? null,
			id,
			familyId,
			version: newVersion,
			updatedAt: new Date(updatedAt).toISOString()
		};
	});
}

export const deletePayload = (crewId: string, id: string): Promise<void> =>
	inTransaction(async () => {
		const gone = await database()
			.delete(payloads)
			.where(and(eq(payloads.crewId, crewId), eq(payloads.id, id)))
			.returning({ id: payloads.id });
		if (gone.length === 0) throw new Refusal('notFound', 'That payload is gone already.');
		await forgetEdits(crewId, id);
	});

async function readPayload(from: Queryable, crewId: string, id: string): Promise<Payload> {
	const [row] = await builds(from, and(eq(payloads.crewId, crewId), eq(payloads.id, id)));
	if (row === undefined) throw new Refusal('notFound', 'That payload does not exist, or was deleted.');
	return payloadOf(row);
}

type Row = typeof payloads.$inferSelect;
interface Build extends Row {
	readonly stand: (typeof placements.$inferSelect)[];
}
/** Builds with what stands on them, in one go, the newest first. */
async function builds(from: Queryable, which: SQL | undefined): Promise<Build[]> {
	const rows = await from
		.select({ build: payloads, stands: placements })
		.from(payloads)
		.leftJoin(placements, eq(placements.payloadId, payloads.id))
		.where(which)
		.orderBy(desc(payloads.updatedAt), desc(payloads.id), asc(placements.ordinal));
	const found = new Map<string, Build>();
	for (const { build, stands } of rows) {
		const known = found.get(build.id) ?? { ...build, stand: [] };
		found.set(build.id, known);
		if (stands !== null) known.stand.push(stands);
	}
	return [...found.values()];
}

const payloadOf = (row: Build): Payload => ({
	id: row.id,
	name: row.name,
	platePartId: row.platePartId,
	familyId: row.familyId,
	correction: row.correction === null ? null : fromStore(correctionAs, row.correction),
	version: row.version,
	updatedAt: new Date(row.updatedAt).toISOString(),
	placements: row.stand.map(({ id, partId, xM, yM, zM, attitude }) => ({
		id,
		partId,
		positionM: [xM, yM, zM] as const,
		...(attitude === null ? {} : { attitude: fromStore(attitudeAs, attitude) })
	}))
});

async function insertPlacements(into: Queryable, crewId: string, payloadId: string, draft: PayloadDraft) {
	if (draft.placements.length === 0) return;
	await into.insert(placements).values(
		draft.placements.map(({ id, partId, positionM: [xM, yM, zM], attitude = null }, ordinal) => ({
			id,
			crewId,
			payloadId,
			partId,
			ordinal,
			xM,
			yM,
			zM,
			attitude: attitude === null ? null : toStore(attitudeAs, attitude)
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
