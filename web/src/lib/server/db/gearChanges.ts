import { and, desc, eq, getTableColumns, inArray, isNotNull, or, type SQL, sql } from 'drizzle-orm';
import { v7 as newId } from 'uuid';
import type { GearChange, GearFigure, Taught, TaughtChange } from '$lib/model/measurement';
import type { GimbalGeometry } from '$lib/supports/gimbal/model';
import { sameFigure, zeroFigure } from '$lib/supports/gimbal/taught';
import type { PartShape } from '$lib/model/part';
import { Refusal } from '../refusal';
import { keptFigure, keptTaught } from '../schemas/measurement';
import { fromStore, type StoredAs, toStore } from '../stored';
import { readable } from '../unreadable';
import { database, inTransaction } from './client';
import { changePart, lockPart } from './parts';
import { changeGeometry } from './supports';
import { gearChanges, people } from './schema';

const figureAs: StoredAs<GearFigure> = { schema: keptFigure };
const taughtAs: StoredAs<Taught> = { schema: keptTaught };
type PartFigure = Extract<GearFigure, { cgFrom: string | null }>;
type ZeroFigure = Extract<GearFigure, { readingAtZeroM: number }>;

export type WantedChange =
	| { readonly about: 'part'; readonly partId: string; readonly from: string; readonly figure: PartFigure }
	| {
			readonly about: 'zero';
			readonly supportId: string;
			readonly slideId: string;
			readonly from: string;
			readonly figure: ZeroFigure;
	  };

/** Takes a figure over into the gear and keeps what it was, and what a lesson said beside it where it came from one. */
export const changeGear = (
	crewId: string,
	personId: string,
	wanted: WantedChange,
	taught: Taught | null = null
): Promise<{ id: string }> =>
	inTransaction(async () => {
		const id = newId();
		const told = taught === null ? null : toStore(taughtAs, taught);
		// What cannot be read again must not be written.
		if (told !== null) fromStore(taughtAs, told);
		const before = (await setFigure(crewId, personId, wanted)) as GearFigure;
		await database()
			.insert(gearChanges)
			.values({
				id,
				crewId,
				personId,
				about: wanted.about,
				partId: wanted.about === 'part' ? wanted.partId : null,
				supportId: wanted.about === 'zero' ? wanted.supportId : null,
				slideId: wanted.about === 'zero' ? wanted.slideId : null,
				from: wanted.from,
				before: toStore(figureAs, before),
				after: toStore(figureAs, wanted.figure as GearFigure),
				taught: told
			});
		return { id };
	});

/** Puts a figure back to what it was before. Throws `stale` where it was changed again since: what stands then is somebody's word too. */
export const takeBack = (crewId: string, personId: string, id: string): Promise<void> =>
	inTransaction(async () => {
		const [row] = await standing(crewId, eq(gearChanges.id, id));
		if (row === undefined) throw new Refusal('notFound', 'That change was taken back already.');
		if (!(await putBack(crewId, personId, row)))
			throw new Refusal('stale', 'That figure was changed again since, and stands as it was left then.');
	});

/** Puts all figures of one lesson back that stand as they were taken over; those that were changed since are left, and counted. */
export const takeLessonBack = (crewId: string, personId: string, lessonId: string): Promise<{ left: number }> =>
	inTransaction(async () => {
		const rows = await standing(crewId, sql`${gearChanges.taught} ->> 'lessonId' = ${lessonId}`);
		if (rows.length === 0) throw new Refusal('notFound', 'That was taken back already.');
		let left = 0;
		for (const row of rows) if (!(await putBack(crewId, personId, row))) left += 1;
		return { left };
	});

const standing = (crewId: string, which: SQL) =>
	database()
		.select()
		.from(gearChanges)
		.where(and(eq(gearChanges.crewId, crewId), which, eq(gearChanges.undone, false)))
		.for('update');

/** Whether it stood as this change had left it, and stands as before it now. */
async function putBack(crewId: string, personId: string, row: typeof gearChanges.$inferSelect): Promise<boolean> {
	const [before, after] = [fromStore(figureAs, row.before), fromStore(figureAs, row.after)];
	const asTaken = (stands: GearFigure) => sameFigure(stands, after);
	const { from, about, partId, supportId, slideId } = row;
	const wanted =
		about === 'part'
			? ({ about, from, partId: partId as string, figure: before as PartFigure } as const)
			: ({
					about,
					from,
					supportId: supportId as string,
					slideId: slideId as string,
					figure: before as ZeroFigure
				} as const);
	if ((await setFigure(crewId, personId, wanted, asTaken)) === null) return false;
	await database().update(gearChanges).set({ undone: true }).where(eq(gearChanges.id, row.id));
	return true;
}

/** Writes the figure and returns what stood there before; null, and nothing is written, where that is not as it is `held` to be. */
async function setFigure(
	crewId: string,
	personId: string,
	wanted: WantedChange,
	held?: (stands: GearFigure) => boolean
): Promise<GearFigure | null> {
	if (wanted.about === 'part') {
		const part = await lockPart(crewId, wanted.partId);
		const { id, ...rest } = part;
		const { cgFromMiddleM, cgSigmaM = null, cgFrom = null } = part.shape;
		const before = { cgFromMiddleM, cgSigmaM, cgFrom };
		if (held?.(before) === false) return null;
		await changePart(crewId, id, { ...rest, shape: withoutEmpty({ ...part.shape, ...wanted.figure }) });
		return before;
	}
	let before: GearFigure | null = null;
	await changeGeometry<GimbalGeometry>(crewId, personId, wanted.supportId, 'gimbal', ({ geometry }) => {
		const slide = geometry.slides.find(({ id }) => id === wanted.slideId);
		if (slide === undefined && held !== undefined) return null;
		if (slide === undefined) throw new Refusal('notFound', 'That slide is not on the gimbal any more.');
		const stands = zeroFigure(slide);
		if (held?.(stands) === false) return null;
		before = stands;
		const { readingAtZeroM, zeroSigmaM } = wanted.figure;
		const slides = geometry.slides.map((each) =>
			each === slide ? { ...each, scale: { ...each.scale, readingAtZeroM }, zeroSigmaM } : each
		);
		return { ...geometry, slides };
	});
	return before;
}

/** What was never there is not written as nothing: a figure taken back leaves the part as it was. */
function withoutEmpty({ cgSigmaM, cgFrom, ...shape }: PartShape): PartShape {
	return { ...shape, ...(cgSigmaM ? { cgSigmaM } : {}), ...(cgFrom ? { cgFrom } : {}) };
}

/** Newest first. */
export async function listGearChanges(crewId: string): Promise<GearChange[]> {
	// What a lesson said beside a figure is large, and nobody reads it here.
	const { taught, ...columns } = getTableColumns(gearChanges);
	const lessonId = sql<string | null>`${taught} ->> 'lessonId'`;
	const rows = await database()
		.select({ entry: columns, lessonId, personName: people.name })
		.from(gearChanges)
		.innerJoin(people, eq(people.id, gearChanges.personId))
		.where(eq(gearChanges.crewId, crewId))
		.orderBy(desc(gearChanges.at), desc(gearChanges.id))
		.limit(100);
	const named = rows.map((row) => ({ ...row, id: row.entry.id, name: row.entry.from }));
	return readable('change of a figure', named, ({ entry, lessonId: lesson, personName }) => ({
		id: entry.id,
		about: entry.about,
		subjectId: (entry.partId ?? entry.supportId) as string,
		slideId: entry.slideId,
		from: entry.from,
		lessonId: lesson,
		before: fromStore(figureAs, entry.before),
		after: fromStore(figureAs, entry.after),
		personName,
		at: new Date(entry.at).toISOString(),
		undone: entry.undone
	}));
}

/**
 * What lessons said of the figures that were taken over from them and not taken back, the newest of each: of the whole crew's gear, or of
 * some parts and one support.
 */
export async function taughtChanges(
	crewId: string,
	of?: { readonly partIds: readonly string[]; readonly supportId: string }
): Promise<TaughtChange[]> {
	const rows = await database()
		.selectDistinctOn([gearChanges.partId, gearChanges.supportId, gearChanges.slideId])
		.from(gearChanges)
		.where(
			and(
				eq(gearChanges.crewId, crewId),
				eq(gearChanges.undone, false),
				isNotNull(gearChanges.taught),
				of === undefined
					? undefined
					: or(eq(gearChanges.supportId, of.supportId), inArray(gearChanges.partId, [...of.partIds]))
			)
		)
		.orderBy(gearChanges.partId, gearChanges.supportId, gearChanges.slideId, desc(gearChanges.at), desc(gearChanges.id))
		.limit(mostTaught);
	const named = rows.map((row) => ({ ...row, name: row.from }));
	return readable(
		'what a lesson said of a figure',
		named,
		({ about, partId, supportId, slideId, at, after, taught }) => ({
			about,
			subjectId: (partId ?? supportId) as string,
			slideId,
			at: new Date(at).toISOString(),
			after: fromStore(figureAs, after),
			taught: fromStore(taughtAs, taught)
		})
	);
}

/** More parts than a shelf holds. */
const mostTaught = 5000;
