import { and, asc, eq, inArray, sql } from 'drizzle-orm';
import { v7 as newId } from 'uuid';
import type { GearDraft } from '$lib/model/gear';
import type { SupportOnOffer } from '$lib/supports/onOffer';
import { supportKinds } from '$lib/supports/registry';
import { serverKind } from '../kinds';
import { Refusal } from '../refusal';
import { fromStore, toStore } from '../stored';
import { onceARequest } from '../requestMemory';
import { readable } from '../unreadable';
import type { SupportRow } from '../supportKind';
import { database, inTransaction } from './client';
import { documentName, noteEdit, forgetEdits } from './edits';
import { payloads, supports } from './schema';

type Row = typeof supports.$inferSelect;

/** A row read by the schema of its kind. */
function supportOf<Geometry>({ id, kind, name, leastPayloadKg, greatestPayloadKg, geometry, version }: Row) {
	const read: Geometry = fromStore(serverKind(kind).geometry, geometry);
	return { id, kind, name, leastPayloadKg, greatestPayloadKg, geometry: read, version };
}
const ofCrew = (crewId: string, id: string) => and(eq(supports.crewId, crewId), eq(supports.id, id));
const columns = <Geometry>(
	kind: string,
	{ name, leastPayloadKg, greatestPayloadKg, geometry }: GearDraft<Geometry>
) => ({
	name,
	leastPayloadKg,
	greatestPayloadKg,
	geometry: toStore(serverKind(kind).geometry, geometry)
});

/** All of one kind, the lightest first. */
export const listSupports = <Geometry = unknown>(crewId: string, kind: string): Promise<SupportRow<Geometry>[]> =>
	listSupportsOf<Geometry>(crewId, [kind]);

/** All of some kinds, kind by kind, the lightest first. */
export async function listSupportsOf<Geometry = unknown>(
	crewId: string,
	kinds: readonly string[]
): Promise<SupportRow<Geometry>[]> {
	const rows = await database()
		.select()
		.from(supports)
		.where(and(eq(supports.crewId, crewId), inArray(supports.kind, kinds)))
		.orderBy(asc(supports.greatestPayloadKg), asc(supports.name));
	return kinds.flatMap((kind) =>
		readable(
			kind,
			rows.filter((row) => row.kind === kind),
			(row) => supportOf<Geometry>(row)
		)
	);
}

/** Any support of the crew; of that kind, where one is asked for. */
export async function findSupport<Geometry = unknown>(
	crewId: string,
	id: string,
	kind?: string
): Promise<SupportRow<Geometry>> {
	const row = await onceARequest(`support ${crewId} ${id}`, async () => {
		const [found] = await database().select().from(supports).where(ofCrew(crewId, id));
		return found;
	});
	if (row === undefined || (kind !== undefined && row.kind !== kind))
		throw new Refusal('notFound', `That ${kind ?? 'support'} does not exist, or was deleted.`);
	return supportOf<Geometry>(row);
}

export const createSupport = <Geometry>(
	crewId: string,
	personId: string,
	kind: string,
	draft: GearDraft<Geometry>
): Promise<SupportRow<Geometry>> =>
	inTransaction(async () => {
		const id = newId();
		const made = columns(kind, draft);
		await database()
			.insert(supports)
			.values({ id, crewId, kind, ...made });
		await noteEdit(crewId, personId, documentName.support(id), made);
		return findSupport<Geometry>(crewId, id);
	});

/** Over the version the person had in front of them; refuses as stale when somebody saved in between. */
export const saveSupport = <Geometry>(
	crewId: string,
	personId: string,
	{ id, kind, version }: { readonly id: string; readonly kind: string; readonly version: number },
	draft: GearDraft<Geometry>
): Promise<SupportRow<Geometry>> =>
	inTransaction(async () => {
		const left = columns(kind, draft);
		const [saved] = await database()
			.update(supports)
			.set({ ...left, version: sql`${supports.version} + 1` })
			.where(and(ofCrew(crewId, id), eq(supports.kind, kind), eq(supports.version, version)))
			.returning();
		if (saved === undefined) {
			await findSupport(crewId, id, kind);
			throw new Refusal('stale');
		}
		await noteEdit(crewId, personId, documentName.support(id), left);
		return supportOf<Geometry>(saved);
	});

/** With the benches and notes that hang on it; the logbook keeps its copies. */
export const deleteSupport = (crewId: string, kind: string, id: string): Promise<void> =>
	inTransaction(async () => {
		const gone = await database()
			.delete(supports)
			.where(and(ofCrew(crewId, id), eq(supports.kind, kind)))
			.returning({ id: supports.id });
		if (gone.length === 0) throw new Refusal('notFound', `That ${kind} is gone already.`);
		await forgetEdits(crewId, id);
	});

/** Changes the geometry of a support that is locked meanwhile, so that no save beside it is lost. */
export async function changeGeometry<Geometry>(
	crewId: string,
	personId: string,
	id: string,
	kind: string,
	change: (support: SupportRow<Geometry>) => Geometry | null
): Promise<void> {
	const [row] = await database().select().from(supports).where(ofCrew(crewId, id)).for('update');
	if (row === undefined || row.kind !== kind)
		throw new Refusal('notFound', `That ${kind} does not exist, or was deleted.`);
	const support = supportOf<Geometry>(row);
	const geometry = change(support);
	if (geometry === null) return;
	const left = columns(kind, { ...support, geometry });
	await noteEdit(crewId, personId, documentName.support(id), left);
	await database()
		.update(supports)
		.set({ ...left, version: sql`${supports.version} + 1` })
		.where(ofCrew(crewId, id));
}

/** Every support of the crew with what it carries, kind by kind, and every payload by name: what a bench is made of. */
export async function listOnOffer(crewId: string): Promise<{
	readonly supports: readonly SupportOnOffer[];
	readonly payloads: readonly { readonly id: string; readonly name: string }[];
}> {
	const { id, kind, name, leastPayloadKg, greatestPayloadKg } = supports;
	const [rows, built] = await Promise.all([
		database()
			.select({ id, kind, name, leastPayloadKg, greatestPayloadKg })
			.from(supports)
			.where(eq(supports.crewId, crewId))
			.orderBy(asc(greatestPayloadKg), asc(name)),
		database()
			.select({ id: payloads.id, name: payloads.name })
			.from(payloads)
			.where(eq(payloads.crewId, crewId))
			.orderBy(asc(payloads.name), asc(payloads.id))
	]);
	return {
		supports: supportKinds.flatMap(({ key }) => rows.filter((row) => row.kind === key)),
		payloads: built
	};
}
