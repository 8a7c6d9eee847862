import type { Lesson, Vec3 } from '@poise/core';
import type { GearFigure, Taught } from '$lib/model/measurement';
import { cgFromMiddleOf, cgSigmaOf, type Part } from '$lib/model/part';
import type { StandingPart } from '$lib/model/payload';
import type { Gimbal } from '$lib/supports/gimbal/model';
import { partKeys, usualZeroSigmaM, zeroFigure, zeroKey } from '$lib/supports/gimbal/taught';

/** A figure the logbook would change, ready to be taken over or left. */
export type Proposal =
	| {
			readonly about: 'part';
			readonly key: string;
			readonly part: Part;
			readonly beforeM: Vec3;
			readonly beforeSigmaM: Vec3;
			readonly afterM: Vec3;
			readonly afterSigmaM: Vec3;
	  }
	| {
			readonly about: 'zero';
			readonly key: string;
			readonly rig: Gimbal;
			readonly slideId: string;
			readonly beforeM: number;
			readonly beforeSigmaM: number;
			readonly afterM: number;
			readonly afterSigmaM: number;
	  };

/** One of the figures a lesson is about, as it would be taken over. */
export interface LearnedFigure {
	readonly about: 'part' | 'zero';
	readonly subjectId: string;
	readonly slideId: string | null;
	readonly proposal: Proposal;
	/** Where it comes from, in words. */
	readonly from: string;
	/** Worth a line: it moves, or its doubt changes a good deal. */
	readonly telling: boolean;
	readonly after: GearFigure;
	readonly taught: Omit<Taught, 'lessonId'>;
}

/** A figure that moved by less than this and grew little surer is not worth a line. */
const worthM = 0.0008;
const worthLearned = 0.6;
/** Less than this of its doubt taken away, and not moved: there is nothing to take over. */
const nothingLearned = 0.02;
const sameM = 1e-5;
/** Nobody measures a centre to less. */
const leastSigmaM = 1e-5;
/** Below this share of what the two are unsure by, they have nothing to do with one another. */
const leastCorrelation = 1e-4;

interface Gear {
	readonly parts: readonly Part[];
	readonly rigs: readonly Gimbal[];
}

/** Every figure that the lesson moves or makes surer beside how it stands today. `believed`: the same gear as before any balance. */
export function figuresOf(lesson: Lesson, today: Gear, believed: Gear, from: string): readonly LearnedFigure[] {
	const belief = beliefsOf(believed);
	const parts = today.parts.flatMap((part): LearnedFigure[] => {
		const told = lesson.parts.find(({ id }) => id === part.id)?.cgM;
		const was = believed.parts.find(({ id }) => id === part.id);
		if (told === undefined || was === undefined) return [];
		const pick = (field: 'value' | 'sigma') => told.map((each) => each[field]) as unknown as Vec3;
		const afterSigmaM = pick('sigma').map((sigma) => Math.max(leastSigmaM, sigma)) as unknown as Vec3;
		const proposal: Proposal = {
			...{ about: 'part', key: part.id, part },
			...{ beforeM: cgFromMiddleOf(part.shape, 1), beforeSigmaM: cgSigmaOf(part) },
			...{ afterM: pick('value'), afterSigmaM }
		};
		const news = [0, 1, 2].map((k) =>
			newsOf(
				{ valueM: proposal.beforeM[k]!, sigmaM: proposal.beforeSigmaM[k]! },
				{ valueM: proposal.afterM[k]!, sigmaM: afterSigmaM[k]! }
			)
		);
		if (!news.some((each) => each !== 'none')) return [];
		const { cgFromMiddleM, cgSigmaM = null, cgFrom = null } = was.shape;
		return [
			{
				...{ about: 'part', subjectId: part.id, slideId: null, proposal, from, telling: news.includes('telling') },
				after: { cgFromMiddleM: proposal.afterM, cgSigmaM: afterSigmaM, cgFrom: from },
				taught: taughtOf(lesson, partKeys(part.id), belief, { cgFromMiddleM, cgSigmaM, cgFrom })
			}
		];
	});
	const zeros = today.rigs.flatMap((rig) =>
		rig.geometry.slides.flatMap((slide): LearnedFigure[] => {
			const told = lesson.rigs.find(({ id }) => id === rig.id)?.zeroM[slide.id];
			const was = believed.rigs.find(({ id }) => id === rig.id)?.geometry.slides.find(({ id }) => id === slide.id);
			if (told === undefined || was === undefined) return [];
			const before = { valueM: slide.scale.readingAtZeroM, sigmaM: slide.zeroSigmaM ?? usualZeroSigmaM };
			const after = { valueM: was.scale.readingAtZeroM + told.value, sigmaM: told.sigma };
			const news = newsOf(before, after);
			if (news === 'none') return [];
			return [
				{
					...{ about: 'zero', subjectId: rig.id, slideId: slide.id, from, telling: news === 'telling' },
					proposal: {
						...{ about: 'zero', key: `${rig.id}.${slide.id}`, rig, slideId: slide.id },
						...{ beforeM: before.valueM, beforeSigmaM: before.sigmaM, afterM: after.valueM, afterSigmaM: after.sigmaM }
					},
					after: { readingAtZeroM: after.valueM, zeroSigmaM: after.sigmaM },
					taught: taughtOf(lesson, [zeroKey(rig.id, slide.id)], belief, zeroFigure(was))
				}
			];
		})
	);
	return [...parts, ...zeros];
}

interface Doubted {
	readonly valueM: number;
	readonly sigmaM: number;
}
function newsOf(before: Doubted, after: Doubted): 'none' | 'some' | 'telling' {
	const moved = Math.abs(after.valueM - before.valueM);
	const [less, more] = [after.sigmaM ** 2, before.sigmaM ** 2].sort((a, b) => a - b) as [number, number];
	// Balances struck out since, or one that does not fit: what was taken over is less sure than it says.
	const learned = more === 0 ? 0 : 1 - less / more;
	if (moved > Math.max(worthM, 0.25 * before.sigmaM) || learned > worthLearned) return 'telling';
	return moved > sameM || learned > nothingLearned ? 'some' : 'none';
}

/** What was believed of every single figure before any balance. */
const beliefsOf = ({ parts, rigs }: Gear): ReadonlyMap<string, number> =>
	new Map([
		...parts.flatMap((part): [string, number][] => {
			const cgM = cgFromMiddleOf(part.shape, 1);
			return partKeys(part.id).map((key, axis) => [key, cgM[axis]!]);
		}),
		...rigs.flatMap(({ id, geometry }) =>
			geometry.slides.map(({ id: slide, scale }): [string, number] => [zeroKey(id, slide), scale.readingAtZeroM])
		)
	]);

function taughtOf(
	{ covariance: { keys, square }, widenedBy }: Lesson,
	own: readonly string[],
	belief: ReadonlyMap<string, number>,
	untaught: GearFigure
): Omit<Taught, 'lessonId'> {
	const at = own.map((key) => keys.indexOf(key));
	const together = keys.flatMap((key, j) => {
		const shared = at.some((i) => {
			const limit = leastCorrelation * Math.sqrt((square[i]?.[i] ?? 0) * (square[j]?.[j] ?? 0));
			return i === j || Math.abs(square[i]?.[j] ?? 0) > limit;
		});
		const beliefM = belief.get(key);
		return shared && beliefM !== undefined ? [{ key, j, beliefM }] : [];
	});
	return {
		...{ widenedBy, untaught },
		keys: together.map(({ key }) => key),
		believedM: together.map(({ beliefM }) => beliefM),
		rows: at.map((i) => together.map(({ j }) => square[i]?.[j] ?? 0))
	};
}

/** A gimbal and what stands on it with these figures taken over. */
export function withFigures(
	figures: readonly LearnedFigure[],
	rig: Gimbal,
	parts: readonly StandingPart[]
): { readonly rig: Gimbal; readonly parts: readonly StandingPart[] } {
	const figureOf = (subjectId: string, slideId: string | null) =>
		figures.find((each) => each.subjectId === subjectId && each.slideId === slideId)?.after;
	const slides = rig.geometry.slides.map((slide) => {
		const after = figureOf(rig.id, slide.id);
		if (after === undefined || !('readingAtZeroM' in after)) return slide;
		const { readingAtZeroM, zeroSigmaM } = after;
		return { ...slide, scale: { ...slide.scale, readingAtZeroM }, zeroSigmaM };
	});
	return {
		rig: { ...rig, geometry: { ...rig.geometry, slides } },
		parts: parts.map((standing) => {
			const after = figureOf(standing.part.id, null);
			if (after === undefined || !('cgFromMiddleM' in after)) return standing;
			return { ...standing, part: { ...standing.part, shape: { ...standing.part.shape, ...after } } };
		})
	};
}
