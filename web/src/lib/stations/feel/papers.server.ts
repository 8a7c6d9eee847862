import { and, eq, isNull, sql } from 'drizzle-orm';
import { v7 as newId } from 'uuid';
import type { FeelState, ModeSheet, ShotList } from './model';
import { Refusal } from '$lib/server/refusal';
import { feelState, modeSheet, shotList } from './schemas.server';
import { fromStore, type StoredAs, toStore } from '$lib/server/stored';
import { database, inTransaction } from '$lib/server/db/client';
import { documentName, noteEdit } from '$lib/server/db/edits';
import { findPayload } from '$lib/server/db/payloads';
import { feelPapers } from '$lib/server/db/schema';
import { findSupport } from '$lib/server/db/supports';

interface FeelPapers {
	readonly sheet: ModeSheet;
	readonly setting: FeelState;
	readonly shots: ShotList;
}
type FeelPaperKind = keyof FeelPapers;

const papers: { readonly [Kind in FeelPaperKind]: StoredAs<FeelPapers[Kind]> } = {
	sheet: { schema: modeSheet },
	setting: { schema: feelState },
	shots: { schema: shotList }
};
/** What a paper of Feel hangs on, and how it lies in the database. Refuses a kind there is none of. */
export function feelPaper(kind: string | undefined) {
	if (kind === undefined || !Object.hasOwn(papers, kind))
		throw new Refusal('notFound', 'Nothing of that sort is kept in Feel.');
	return { kind: kind as FeelPaperKind, as: papers[kind as FeelPaperKind] as StoredAs<unknown> };
}

/** Which paper of a crew: the support it hangs on, and the payload. */
export interface FeelPaperOf<Kind extends FeelPaperKind = FeelPaperKind> {
	readonly kind: Kind;
	readonly supportId: string | null;
	readonly payloadId: string | null;
}

const isIt = (crewId: string, { kind, supportId, payloadId }: FeelPaperOf) =>
	and(
		eq(feelPapers.crewId, crewId),
		eq(feelPapers.kind, kind),
		supportId === null ? isNull(feelPapers.supportId) : eq(feelPapers.supportId, supportId),
		payloadId === null ? isNull(feelPapers.payloadId) : eq(feelPapers.payloadId, payloadId)
	);

/** A paper as it was left, with its version; null: nobody wrote it yet. */
export async function findFeelPaper<Kind extends FeelPaperKind>(
	crewId: string,
	of: FeelPaperOf<Kind>
): Promise<{ readonly value: FeelPapers[Kind]; readonly version: number } | null> {
	const [row] = await database()
		.select({ content: feelPapers.content, version: feelPapers.version })
		.from(feelPapers)
		.where(isIt(crewId, of));
	if (row === undefined) return null;
	return {
		value: fromStore<FeelPapers[Kind]>(papers[of.kind] as StoredAs<FeelPapers[Kind]>, row.content),
		version: row.version
	};
}

/** Over the version the person had in front of them, 0 for the first; refuses as stale when somebody saved in between. */
export const saveFeelPaper = (
	crewId: string,
	personId: string,
	of: FeelPaperOf,
	version: number,
	content: unknown
): Promise<{ readonly version: number }> =>
	inTransaction(async () => {
		const { kind, supportId, payloadId } = of;
		await Promise.all([
			supportId === null ? null : findSupport(crewId, supportId),
			payloadId === null ? null : findPayload(crewId, payloadId)
		]);
		const stored = toStore(papers[kind] as StoredAs<unknown>, content);
		const rows =
			version === 0
				? await database()
						.insert(feelPapers)
						.values({ id: newId(), crewId, kind, supportId, payloadId, content: stored, updatedBy: personId })
						.onConflictDoNothing()
						.returning({ version: feelPapers.version })
				: await database()
						.update(feelPapers)
						.set({
							content: stored,
							version: sql`${feelPapers.version} + 1`,
							updatedAt: sql`now()`,
							updatedBy: personId
						})
						.where(and(isIt(crewId, of), eq(feelPapers.version, version)))
						.returning({ version: feelPapers.version });
		const [saved] = rows;
		if (saved === undefined) throw new Refusal('stale');
		const about = [kind, ...[supportId, payloadId].filter((each) => each !== null)];
		await noteEdit(crewId, personId, documentName.feel(about), stored);
		return saved;
	});
