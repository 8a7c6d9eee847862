import { and, desc, eq, sql } from 'drizzle-orm';
import { v7 as newId } from 'uuid';
import { serverKind } from '../kinds';
import { mergedSave, type MergedSave, type WantedChange } from '../mergedSave';
import { Refusal } from '../refusal';
import { fromStore, type StoredAs, toStore } from '../stored';
import { orNone, readable } from '../unreadable';
import { database, holdAlone, inTransaction } from './client';
import { people, personSetups, supportEntries } from './schema';

type SupportReference = { readonly id: string; readonly kind: string };
export type Logged<Entry> = Entry & { readonly id: string; readonly personName: string; readonly at: string };

/** A season of services brings no more. */
const mostEntries = 300;

function asKept<T>(kind: string, what: 'setup' | 'entry'): StoredAs<T> {
	const as = serverKind(kind)[what] as StoredAs<T> | undefined;
	if (as === undefined) throw new Refusal('notFound', `Nothing of that sort is kept for a ${kind}.`);
	return as;
}

/** How this person sets this support up for their own body; null: they never did, or the kind has nothing to set up. */
export async function findSetup<Setup = unknown>(
	crewId: string,
	support: SupportReference,
	personId: string
): Promise<Setup | null> {
	if (serverKind(support.kind).setup === undefined) return null;
	const [row] = await database()
		.select({ content: personSetups.content })
		.from(personSetups)
		.where(
			and(eq(personSetups.crewId, crewId), eq(personSetups.supportId, support.id), eq(personSetups.personId, personId))
		);
	return row === undefined ? null : fromStore<Setup>(asKept(support.kind, 'setup'), row.content);
}

async function saveSetup(crewId: string, support: SupportReference, personId: string, setup: unknown): Promise<void> {
	const content = toStore(asKept(support.kind, 'setup'), setup);
	await database()
		.insert(personSetups)
		.values({ crewId, supportId: support.id, personId, content })
		.onConflictDoUpdate({
			target: [personSetups.supportId, personSetups.personId],
			set: { content, updatedAt: sql`now()` }
		});
}

/** What a person changed of their own setup since they began, over what stands there now: they may have two screens open. */
export const changeSetup = <Setup extends object>(
	crewId: string,
	support: SupportReference,
	person: { readonly id: string; readonly name: string },
	change: WantedChange<Setup>
): Promise<MergedSave<Setup>> =>
	inTransaction(async () => {
		await holdAlone(`setup ${support.id} ${person.id}`);
		const stands = await orNone('how this was worn last', { id: support.id }, async () => {
			const value = await findSetup<Setup>(crewId, support, person.id);
			return value === null ? null : { value, by: person.name };
		});
		const { schema } = asKept<Setup>(support.kind, 'setup');
		const saved = mergedSave<Setup>(schema, change, stands);
		await saveSetup(crewId, support, person.id, saved.value);
		return saved;
	});

/** What was noted about a support, the newest first; nothing for a kind that notes nothing. */
export async function listEntries<Entry extends object>(
	crewId: string,
	support: SupportReference,
	most = mostEntries
): Promise<Logged<Entry>[]> {
	if (serverKind(support.kind).entry === undefined) return [];
	const as = asKept<Entry>(support.kind, 'entry');
	const rows = await database()
		.select({ id: supportEntries.id, entry: supportEntries.entry, at: supportEntries.at, personName: people.name })
		.from(supportEntries)
		.innerJoin(people, eq(people.id, supportEntries.personId))
		.where(and(eq(supportEntries.crewId, crewId), eq(supportEntries.supportId, support.id)))
		.orderBy(desc(supportEntries.at), desc(supportEntries.id))
		.limit(Math.min(most, mostEntries));
	return readable('note', rows, ({ entry, at, ...rest }) => ({
		...rest,
		at: new Date(at).toISOString(),
		...fromStore(as, entry)
	}));
}

/** Notes once per id: sent again after a lost answer, the first stands. */
export async function addEntry(
	crewId: string,
	personId: string,
	support: SupportReference,
	entry: object,
	{ id = newId(), at }: { readonly id?: string | undefined; readonly at?: string | undefined } = {}
): Promise<void> {
	await database()
		.insert(supportEntries)
		.values({
			id,
			crewId,
			personId,
			supportId: support.id,
			entry: toStore(asKept<object>(support.kind, 'entry'), entry),
			at: at ?? sql`now()`
		})
		.onConflictDoNothing();
}

export async function deleteEntry(crewId: string, supportId: string, id: string): Promise<void> {
	await database()
		.delete(supportEntries)
		.where(and(eq(supportEntries.crewId, crewId), eq(supportEntries.supportId, supportId), eq(supportEntries.id, id)));
}
