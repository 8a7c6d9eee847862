import { add, learnFromBalances, type Lesson, readingAt, scale, type Vec3 } from '@poise/core';
import { foretoldSigmasM } from '$lib/supports/gimbal/figures';
import { learnedOf, untaughtPart, untaughtRig, usualZeroSigmaM } from '$lib/supports/gimbal/taught';
import type { Gimbal, GimbalRecord } from '$lib/supports/gimbal/model';
import type { TaughtChange } from '$lib/model/measurement';
import { armReachM, turnOfAttitude } from '$lib/model/attitude';
import { cgFromMiddleOf, cgSigmaOf, type Part } from '$lib/model/part';
import { middleM, mountedBodies, type StandingPart, standingParts } from '$lib/model/payload';
import { figuresOf, type LearnedFigure, type Proposal, withFigures } from './learnedFigures';

export interface LessonSheet {
	readonly proposals: readonly Proposal[];
	/** Figures that hardly change, and were weighed together with those that do: all of them taken over foretell best. */
	readonly beside: number;
	/** What the newest balance's build is foretold to on its gimbal, the worst of its slides, one standard deviation: today, and with all taken over. */
	readonly foretold: {
		readonly payloadName: string;
		readonly supportName: string;
		readonly todayM: number;
		readonly thenM: number;
	} | null;
	/** In words: what the balances could not tell apart. */
	readonly untold: readonly string[];
	readonly used: number;
	/** By how much every ± was widened because the balances do not agree with one another; 1: they do. */
	readonly widenedBy: number;
	/** Balances that do not fit the others, the furthest first. */
	readonly outliers: readonly {
		readonly id: string;
		readonly payloadName: string;
		readonly supportName: string;
		readonly loggedAt: string;
		readonly offBy: number;
	}[];
	/** Those that were left out because somebody asked for it. */
	readonly without: readonly { readonly id: string; readonly payloadName: string; readonly loggedAt: string }[];
}

/** A scale read and a hand's work: seven tenths of a millimetre. */
const readingSigmaM = 0.0007;

/**
 * What the logged balances say of today's shelf and rigs, and every figure of it as it can be taken over. A reading counts when its axis was
 * seen to hold at it, the gimbal and all parts still exist, and its build was not corrected as a whole; the parts stand as they stood then.
 * What is believed is what was believed before any balance taught of it: `changes` are the figures taken over before, so that
 * no balance counts twice. `leftOut` names records that are not to count this time.
 */
export function lessonFrom(
	all: readonly GimbalRecord[],
	shelf: readonly Part[],
	rigs: readonly Gimbal[],
	{
		changes = [],
		leftOut = []
	}: { readonly changes?: readonly TaughtChange[]; readonly leftOut?: readonly string[] } = {}
): { readonly sheet: LessonSheet; readonly figures: readonly LearnedFigure[] } {
	const without = all.flatMap(({ id, payloadName, loggedAt }) =>
		leftOut.includes(id) ? [{ id, payloadName, loggedAt }] : []
	);
	const usable = usableOf(
		all.filter(({ id }) => !leftOut.includes(id)),
		new Map(shelf.map((part) => [part.id, part])),
		rigs
	);
	if (usable.length === 0)
		return {
			sheet: { proposals: [], beside: 0, foretold: null, untold: [], used: 0, widenedBy: 1, outliers: [], without },
			figures: []
		};

	const usedParts = [
		...new Map(usable.flatMap(({ parts }) => parts.map(({ part }) => [part.id, part] as const))).values()
	];
	const usedRigs = [...new Map(usable.map(({ rig }) => [rig.id, rig])).values()];
	const believed = {
		parts: usedParts.map((part) => untaughtPart(part, changes)),
		rigs: usedRigs.map((rig) => untaughtRig(rig, changes))
	};
	const lesson = learnFromBalances({
		rigs: believed.rigs.map(({ id, geometry }) => ({
			id,
			rig: geometry,
			zeroSigmaM: Object.fromEntries(
				geometry.slides.map(({ id: slide, zeroSigmaM = usualZeroSigmaM }) => [slide, zeroSigmaM])
			)
		})),
		// A lens's centre is that of the part fully extended; how far it was out then shifts its origin, not its centre.
		parts: [
			...believed.parts.map((part) => ({
				id: part.id,
				massKg: part.massKg,
				cgM: cgFromMiddleOf(part.shape, 1),
				sigmaM: cgSigmaOf(part)
			})),
			...arms(usable.flatMap(({ parts }) => parts))
		],
		balances: usable.map(({ record, rig, parts }) => ({
			rigId: rig.id,
			readingSigmaM,
			foundSlideIds: record.found ?? [],
			readingsM: readingsOf(record, believed.rigs),
			parts: parts.flatMap((standing) => originsOf(standing, parts))
		}))
	});
	const from = `learned from ${usable.length} logged ${usable.length === 1 ? 'balance' : 'balances'}`;
	const figures = figuresOf(lesson, { parts: usedParts, rigs: usedRigs }, believed, from);
	const proposals = figures.flatMap(({ proposal, telling }) => (telling ? [proposal] : []));
	const sheet: LessonSheet = {
		proposals: proposals.sort((a, b) => surprise(b) - surprise(a)),
		beside: figures.length - proposals.length,
		foretold: foretoldBy(usable[0] as Usable, figures, changes, lesson),
		untold: untoldIn(lesson, usedParts, usedRigs),
		used: usable.length,
		widenedBy: lesson.widenedBy,
		outliers: lesson.outliers.flatMap(({ index, offBy }) => {
			const record = usable[index]?.record;
			if (record === undefined) return [];
			const { id, payloadName, supportName, loggedAt } = record;
			return [{ id, payloadName, supportName, loggedAt, offBy }];
		}),
		without
	};
	return { sheet, figures };
}

interface Usable {
	readonly record: GimbalRecord;
	readonly rig: Gimbal;
	readonly parts: readonly StandingPart[];
}

function usableOf(
	records: readonly GimbalRecord[],
	byId: ReadonlyMap<string, Part>,
	rigs: readonly Gimbal[]
): readonly Usable[] {
	return records.flatMap((record) => {
		const rig = rigs.find(({ id }) => id === record.supportId);
		const { payload } = record.snapshot;
		const ids = [payload.platePartId, ...payload.placements.map(({ partId }) => partId)];
		// Readings that were only computed say what the figures said; what was seen to hold says where the parts are.
		if (record.struck || (record.found ?? []).length === 0) return [];
		if (rig === undefined || payload.correction || !ids.every((id) => byId.has(id))) return [];
		// Weights and other holes make another gimbal; the log keeps it whole, but its zeros are today's.
		if ((record.weights ?? []).length > 0 || (record.alternativeIds ?? []).length > 0) return [];
		return [{ record, rig, parts: standingParts({ ...payload, correction: null }, byId) }];
	});
}

/** The person read the scale as it is printed. */
function readingsOf(record: GimbalRecord, rigs: readonly Gimbal[]): Readonly<Record<string, number>> {
	const slides = rigs.find(({ id }) => id === record.supportId)?.geometry.slides ?? [];
	return Object.fromEntries(
		slides.map((slide) => {
			const then = record.support.geometry.slides.find(({ id }) => id === slide.id) ?? slide;
			return [slide.id, readingAt(then, record.positionsM[slide.id] ?? 0)];
		})
	);
}

/** How surely that build is foretold on its gimbal, as the figures stand and with all of these taken over. */
function foretoldBy(
	{ record, rig, parts }: Usable,
	figures: readonly LearnedFigure[],
	changes: readonly TaughtChange[],
	lesson: Lesson
): LessonSheet['foretold'] {
	const worst = (of: Gimbal, standing: readonly StandingPart[], taken: readonly TaughtChange[]) => {
		const shelf = standing.map(({ part }) => part);
		return Math.max(...Object.values(foretoldSigmasM(of, mountedBodies(standing), learnedOf(shelf, of, taken))));
	};
	const then = withFigures(figures, rig, parts);
	const taken = figures.map(({ after, taught, about, subjectId, slideId }): TaughtChange => ({
		...{ about, subjectId, slideId, after, at: afterAll },
		taught: { ...taught, lessonId: 'this' }
	}));
	// What was taken over before and has nothing to do with this lesson stands as it was taken.
	const others = changes.filter(
		({ subjectId, slideId }) => !taken.some((each) => each.subjectId === subjectId && each.slideId === slideId)
	);
	if (lesson.covariance.keys.length === 0) return null;
	return {
		payloadName: record.payloadName,
		supportName: record.supportName,
		todayM: worst(rig, parts, changes),
		thenM: worst(then.rig, then.parts, [...taken, ...others])
	};
}

/** Sorts behind every day that is written as a date. */
const afterAll = '9999';

const armId = (standing: StandingPart) => `arm ${standing.id}`;

/** The arms that hold monitors out are weighed with them, and known. */
const arms = (parts: readonly StandingPart[]) =>
	[...new Map(parts.filter(({ attitude }) => attitude.arm !== null).map((each) => [armId(each), each])).values()].map(
		(standing) => ({
			id: armId(standing),
			massKg: standing.attitude.arm?.massKg ?? 0,
			cgM: [0, 0, 0] as const,
			sigmaM: [0, 0, 0] as const
		})
	);

function originsOf(standing: StandingPart, parts: readonly StandingPart[]) {
	const plateM = parts.find(({ id }) => id === 'plate')?.part.shape.sizeM[2] ?? 0;
	const up: Vec3 = [0, 0, plateM];
	const turn = turnOfAttitude(standing.attitude);
	// Less extension takes the centre back by what cgFromMiddleOf says it does.
	const { shape } = standing.part;
	const back = cgFromMiddleOf(shape, standing.attitude.extended)[0] - cgFromMiddleOf(shape, 1)[0];
	const along: Vec3 = [turn[0][0] * back, turn[1][0] * back, turn[2][0] * back];
	const own = { partId: standing.part.id, originM: add(add(middleM(standing), up), along), turn };
	if (standing.attitude.arm === null) return [own];
	const half = scale(armReachM(standing.attitude), 0.5);
	return [own, { partId: armId(standing), originM: add(add(standing.positionM, half), up) }];
}

/** In words: what the balances do not tell apart. */
function untoldIn(lesson: Lesson, parts: readonly Part[], rigs: readonly Gimbal[]): string[] {
	const nameOf = (key: string) => {
		const part = parts.find(({ id }) => key.startsWith(`part:${id}.`));
		if (part !== undefined)
			return `${part.name}, ${{ x: 'fore-aft', y: 'sideways', z: 'height' }[key.slice(-1)] ?? ''}`;
		const rig = rigs.find(({ id }) => key.startsWith(`zero:${id}.`));
		const slide = rig?.geometry.slides.find(({ id }) => key.endsWith(`.${id}`));
		return rig === undefined || slide === undefined ? null : `${rig.name}, zero of the ${slide.label.toLowerCase()}`;
	};
	return lesson.notIdentifiable.map(nameOf).filter((name) => name !== null);
}

/** How far a proposal goes beyond what was believed, in standard deviations: the telling ones first. */
const surprise = (proposal: Proposal): number =>
	proposal.about === 'zero'
		? Math.abs(proposal.afterM - proposal.beforeM) / proposal.beforeSigmaM
		: Math.max(
				...proposal.afterM.map(
					(value, axis) => Math.abs(value - (proposal.beforeM[axis] ?? 0)) / (proposal.beforeSigmaM[axis] || 1)
				)
			);
