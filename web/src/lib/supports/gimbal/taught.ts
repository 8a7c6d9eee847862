import { type BelievedFigure, type Covariance, jointCovariance } from '@poise/core';
import type { GearFigure, TaughtChange } from '$lib/model/measurement';
import { cgFromMiddleOf, cgSigmaOf, type Part } from '$lib/model/part';
import type { Gimbal } from './model';

/** A printed scale sits about this well. */
export const usualZeroSigmaM = 0.0015;

const axes = ['x', 'y', 'z'] as const;
/** Typed and stored alike to a thousandth of a millimetre: the same figure. */
const sameM = 1e-6;

export const partKeys = (partId: string): readonly string[] => axes.map((axis) => `part:${partId}.${axis}`);
export const zeroKey = (supportId: string, slideId: string): string => `zero:${supportId}.${slideId}`;

type Slide = Gimbal['geometry']['slides'][number];
export const zeroFigure = ({ scale: { readingAtZeroM }, zeroSigmaM = usualZeroSigmaM }: Slide): GearFigure => ({
	readingAtZeroM,
	zeroSigmaM
});

/** The same figure, whatever is said of where it comes from. */
export function sameFigure(a: GearFigure, b: GearFigure): boolean {
	if ('readingAtZeroM' in a) return 'readingAtZeroM' in b && Math.abs(a.readingAtZeroM - b.readingAtZeroM) <= sameM;
	if (!('cgFromMiddleM' in b)) return false;
	const [first, second] = [a.cgFromMiddleM, b.cgFromMiddleM];
	if (first === null || second === null) return first === second;
	return first.every((value, k) => Math.abs(value - (second[k] as number)) <= sameM);
}

const partFigure = ({ shape }: Part): GearFigure => ({
	cgFromMiddleM: shape.cgFromMiddleM,
	cgSigmaM: shape.cgSigmaM ?? null,
	cgFrom: shape.cgFrom ?? null
});

/** The change by which this part's centre stands as it stands; none where it was typed or measured since. */
const changeOfPart = (part: Part, changes: readonly TaughtChange[]): TaughtChange | undefined =>
	changes.find(
		({ about, subjectId, after }) => about === 'part' && subjectId === part.id && sameFigure(after, partFigure(part))
	);
/** The same for a scale's zero. */
const changeOfZero = (supportId: string, slide: Slide, changes: readonly TaughtChange[]): TaughtChange | undefined =>
	changes.find(
		({ about, subjectId, slideId, after }) =>
			about === 'zero' && subjectId === supportId && slideId === slide.id && sameFigure(after, zeroFigure(slide))
	);

/** The part as it was believed to be before any balance taught of it. */
export function untaughtPart(part: Part, changes: readonly TaughtChange[]): Part {
	const was = changeOfPart(part, changes)?.taught.untaught;
	return was === undefined || !('cgFromMiddleM' in was) ? part : { ...part, shape: { ...part.shape, ...was } };
}

/** The gimbal with its scales as they were printed, or measured, before any balance taught of them. */
export function untaughtRig<Rig extends Pick<Gimbal, 'id' | 'geometry'>>(
	rig: Rig,
	changes: readonly TaughtChange[]
): Rig {
	const slides = rig.geometry.slides.map((slide) => {
		const was = changeOfZero(rig.id, slide, changes)?.taught.untaught;
		if (was === undefined || !('readingAtZeroM' in was)) return slide;
		const { readingAtZeroM, zeroSigmaM } = was;
		return { ...slide, scale: { ...slide.scale, readingAtZeroM }, zeroSigmaM };
	});
	return { ...rig, geometry: { ...rig.geometry, slides } };
}

interface Standing extends BelievedFigure {
	/** What was believed of it before any balance taught of it. */
	readonly beliefM: number;
	readonly change: TaughtChange | undefined;
}

/**
 * How unsure these parts and this gimbal's zeros are together; null where none of them was taken over from a lesson, so that each is unsure
 * by itself. What a lesson said of a figure that was measured anew since does not hold for what was measured.
 */
export function learnedOf(
	parts: readonly Part[],
	rig: Pick<Gimbal, 'id' | 'geometry'>,
	changes: readonly TaughtChange[]
): Covariance | null {
	if (changes.length === 0) return null;
	const before = untaughtRig(rig, changes);
	const figures: Omit<Standing, 'taken'>[] = [
		...[...new Map(parts.map((part) => [part.id, part])).values()].flatMap((part) => {
			const change = changeOfPart(part, changes);
			const belief = cgFromMiddleOf(untaughtPart(part, changes).shape, 1);
			const sigmaM = cgSigmaOf(part);
			return partKeys(part.id).map((key, axis) => ({
				...{ key, change },
				...{ sigma: sigmaM[axis] as number, beliefM: belief[axis] as number }
			}));
		}),
		...rig.geometry.slides.map((slide, s) => ({
			key: zeroKey(rig.id, slide.id),
			sigma: slide.zeroSigmaM ?? usualZeroSigmaM,
			beliefM: before.geometry.slides[s]?.scale.readingAtZeroM ?? 0,
			change: changeOfZero(rig.id, slide, changes)
		}))
	];
	if (figures.every(({ change }) => change === undefined)) return null;
	const order = [...new Set(changes.toSorted((a, b) => a.at.localeCompare(b.at)).map(({ taught }) => taught.lessonId))];
	const beliefs = new Map(figures.map(({ key, beliefM }) => [key, beliefM]));
	return jointCovariance(
		figures.map(({ key, sigma, change }) => {
			if (change === undefined) return { key, sigma };
			const { keys, believedM, rows, lessonId, widenedBy } = change.taught;
			const which = change.about === 'part' ? partKeys(change.subjectId).indexOf(key) : 0;
			const row = keys.flatMap((other, j): [string, number][] => {
				const belief = beliefs.get(other);
				const held = belief !== undefined && Math.abs(belief - (believedM[j] as number)) <= sameM;
				return held ? [[other, rows[which]?.[j] ?? 0]] : [];
			});
			return { key, sigma, taken: { lesson: order.indexOf(lessonId), widenedBy, row: Object.fromEntries(row) } };
		})
	);
}
