import { and, asc, eq, type SQL, sql } from 'drizzle-orm';
import { v7 as newId } from 'uuid';
import type { Named } from '$lib/model/gear';
import { Refusal } from '../refusal';
import { database } from './client';
import type { venues } from './schema';

type DraftTable = typeof venues;
export type Stored<Draft> = Draft & { readonly id: string; readonly version: number };

/** What a person may do with one kind of thing that is saved whole: list, find, make, save over a version, take away. */
export interface DraftStore<Draft> {
	readonly list: (crewId: string) => Promise<Stored<Draft>[]>;
	readonly find: (crewId: string, id: string) => Promise<Stored<Draft>>;
	readonly create: (crewId: string, draft: Draft) => Promise<Stored<Draft>>;
	/** Over the version the person had in front of them; refuses as stale when somebody saved in between. */
	readonly save: (crewId: string, id: string, version: number, draft: Draft) => Promise<Stored<Draft>>;
	/** With whatever hangs on it; the logbook keeps its copies. */
	readonly remove: (crewId: string, id: string) => Promise<void>;
}

/** `read` takes the draft out of a row, as the schema of its kind reads it. */
export function draftStore<Table extends DraftTable, Draft extends Named>(
	kind: Table,
	called: string,
	read: (row: Table['$inferSelect']) => Draft,
	order: readonly SQL[] = []
): DraftStore<Draft> {
	// All of them have these columns; the library cannot say so of a table it does not know.
	const table = kind as unknown as typeof venues;
	const stored = (row: (typeof venues)['$inferSelect']): Stored<Draft> => ({
		id: row.id,
		...read(row as unknown as Table['$inferSelect']),
		version: row.version
	});
	const ofCrew = (crewId: string, id: string) => and(eq(table.crewId, crewId), eq(table.id, id));
	const columns = (draft: Draft) => draft as unknown as (typeof venues)['$inferInsert'];

	async function find(crewId: string, id: string): Promise<Stored<Draft>> {
		const [row] = await database().select().from(table).where(ofCrew(crewId, id));
		if (row === undefined) throw new Refusal('notFound', `That ${called} does not exist, or was deleted.`);
		return stored(row);
	}
	return {
		find,
		async list(crewId) {
			const rows = await database()
				.select()
				.from(table)
				.where(eq(table.crewId, crewId))
				.orderBy(...order, asc(table.name));
			return rows.map(stored);
		},
		async create(crewId, draft) {
			const id = newId();
			await database()
				.insert(table)
				.values({ ...columns(draft), id, crewId });
			return find(crewId, id);
		},
		async save(crewId, id, version, draft) {
			const [saved] = await database()
				.update(table)
				.set({ ...columns(draft), version: sql`${table.version} + 1` })
				.where(and(ofCrew(crewId, id), eq(table.version, version)))
				.returning();
			if (saved !== undefined) return stored(saved);
			await find(crewId, id);
			throw new Refusal('stale');
		},
		async remove(crewId, id) {
			const gone = await database().delete(table).where(ofCrew(crewId, id)).returning({ id: table.id });
			if (gone.length === 0) throw new Refusal('notFound', `That ${called} is gone already.`);
		}
	};
}
