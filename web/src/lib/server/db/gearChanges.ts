import { and, desc, eq } from 'drizzle-orm';
import { v7 as newId } from 'uuid';
import type { GearChange, GearFigure } from '$lib/model/measurement';
import type { GimbalGeometry } from '$lib/supports/gimbal/model';
import type { PartShape } from '$lib/model/part';
import { Refusal } from '../refusal';
import { keptFigure } from '../schemas/measurement';
import { fromStore, type StoredAs, toStore } from '../stored';
import { readable } from '../unreadable';
import { database, inTransaction } from './client';
import { changePart, lockPart } from './parts';
import { changeGeometry } from './supports';
import { gearChanges, people } from './schema';

const figureAs: StoredAs<GearFigure> = { schema: keptFigure };
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

/** Takes a figure over into the gear and keeps what it was. */
export const changeGear = (crewId: string, personId: string, wanted: WantedChange): Promise<{ id: string }> =>
	inTransaction(async () => {
		const id = newId();
		const before = await setFigure(crewId, personId, wanted);
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
				after: toStore(figureAs, wanted.figure as GearFigure)
			});
		return { id };
	});

/** Puts a figure back to what it was before. */
export const takeBack = (crewId: string, personId: string, id: string): Promise<void> =>
	inTransaction(async () => {
		const [row] = await database()
			.update(gearChanges)
			.set({ undone: true })
			.where(and(eq(gearChanges.crewId, crewId), eq(gearChanges.id, id), eq(gearChanges.undone, false)))
			.returning();
		if (row === undefined) throw new Refusal('notFound', 'That change was taken back already.');
		const common = { from: row.from };
		if (row.about === 'part')
			await setFigure(crewId, personId, {
				...common,
				about: 'part',
				partId: row.partId as string,
				figure: fromStore(figureAs, row.before) as PartFigure
			});
		else
			await setFigure(crewId, personId, {
				...common,
				about: 'zero',
				supportId: row.supportId as string,
				slideId: row.slideId as string,
				figure: fromStore(figureAs, row.before) as ZeroFigure
			});
	});

/** Writes the figure and returns what stood there before. */
async function setFigure(crewId: string, personId: string, wanted: WantedChange): Promise<GearFigure> {
	if (wanted.about === 'part') {
		const part = await lockPart(crewId, wanted.partId);
		const { id, ...rest } = part;
		const { cgFromMiddleM, cgSigmaM = null, cgFrom = null } = part.shape;
		await changePart(crewId, id, { ...rest, shape: withoutEmpty({ ...part.shape, ...wanted.figure }) });
		return { cgFromMiddleM, cgSigmaM, cgFrom };
	}
	let before: ZeroFigure | undefined;
	await changeGeometry<GimbalGeometry>(crewId, personId, wanted.supportId, 'gimbal', ({ geometry }) => {
		const slide = geometry.slides.find(({ id }) => id === wanted.slideId);
		if (slide === undefined) throw new Refusal('notFound', 'That slide is not on the gimbal any more.');
		before = { readingAtZeroM: slide.scale.readingAtZeroM, zeroSigmaM: slide.zeroSigmaM ?? defaultZeroSigmaM };
		const { readingAtZeroM, zeroSigmaM } = wanted.figure;
		const slides = geometry.slides.map((each) =>
			each === slide ? { ...each, scale: { ...each.scale, readingAtZeroM }, zeroSigmaM } : each
		);
		return { ...geometry, slides };
	});
	return before as ZeroFigure;
}

/** What was never there is not written as nothing: a figure taken back leaves the part as it was. */
function withoutEmpty({ cgSigmaM, cgFrom, ...shape }: PartShape): PartShape {
	return { ...shape, ...(cgSigmaM ? { cgSigmaM } : {}), ...(cgFrom ? { cgFrom } : {}) };
}

const defaultZeroSigmaM = 0.0015;

/** Newest first. */
export async function listGearChanges(crewId: string): Promise<GearChange[]> {
	const rows = await database()
		.select({ entry: gearChanges, personName: people.name })
		.from(gearChanges)
		.innerJoin(people, eq(people.id, gearChanges.personId))
		.where(eq(gearChanges.crewId, crewId))
		.orderBy(desc(gearChanges.at), desc(gearChanges.id))
		.limit(100);
	const named = rows.map((row) => ({ ...row, id: row.entry.id, name: row.entry.from }));
	return readable('change of a figure', named, ({ entry, personName }) => ({
		id: entry.id,
		about: entry.about,
		subjectId: (entry.partId ?? entry.supportId) as string,
		slideId: entry.slideId,
		from: entry.from,
		before: fromStore(figureAs, entry.before),
		after: fromStore(figureAs, entry.after),
		personName,
		at: new Date(entry.at).toISOString(),
		undone: entry.undone
	}));
}
