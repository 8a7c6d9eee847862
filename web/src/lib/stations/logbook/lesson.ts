import { add, learnFromBalances, type Learned, type Lesson, readingAt, scale, type Vec3 } from '@poise/core';
import { usualZeroSigmaM } from '$lib/supports/gimbal/figures';
import type { GimbalRecord } from '$lib/supports/gimbal/model';
import { armReachM, turnOfAttitude } from '$lib/model/attitude';
import { cgFromMiddleOf, cgSigmaOf, type Part } from '$lib/model/part';
import { middleM, type StandingPart, standingParts } from '$lib/model/payload';
import type { Gimbal } from '$lib/supports/gimbal/model';

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

export interface LessonSheet {
	readonly proposals: readonly Proposal[];
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
/** A figure that moved by less than this and grew little surer is not worth a line. */
const worthM = 0.0008;
const worthLearned = 0.6;

/**
 * What the logged balances say of today's shelf and rigs. A reading counts when its axis was seen to hold at it, the gimbal and all parts
 * still exist, and its build was not corrected as a whole; the parts stand as they stood then, with today's figures as
 * what is believed. `leftOut` names records that are not to count this time.
 */
export function lessonFrom(
	all: readonly GimbalRecord[],
	shelf: readonly Part[],
	rigs: readonly Gimbal[],
	leftOut: readonly string[] = []
): LessonSheet {
	const records = all.filter(({ id }) => !leftOut.includes(id));
	const without = all.flatMap(({ id, payloadName, loggedAt }) =>
		leftOut.includes(id) ? [{ id, payloadName, loggedAt }] : []
	);
	const byId = new Map(shelf.map((part) => [part.id, part]));
	const usable = records.flatMap((record) => {
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
	if (usable.length === 0) return { proposals: [], untold: [], used: 0, widenedBy: 1, outliers: [], without };

	const usedParts = [
		...new Map(usable.flatMap(({ parts }) => parts.map(({ part }) => [part.id, part] as const))).values()
	];
	const usedRigs = [...new Map(usable.map(({ rig }) => [rig.id, rig])).values()];
	const lesson = learnFromBalances({
		rigs: usedRigs.map(({ id, geometry }) => ({
			id,
			rig: geometry,
			zeroSigmaM: Object.fromEntries(
				geometry.slides.map(({ id: slide, zeroSigmaM = usualZeroSigmaM }) => [slide, zeroSigmaM])
			)
		})),
		// A lens's centre is that of the part fully extended; how far it was out then shifts its origin, not its centre.
		parts: [
			...usedParts.map((part) => ({
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
			// The person read the scale as it is printed today.
			readingsM: Object.fromEntries(
				rig.geometry.slides.map((slide) => {
					const then = record.support.geometry.slides.find(({ id }) => id === slide.id) ?? slide;
					return [slide.id, readingAt(then, record.positionsM[slide.id] ?? 0)];
				})
			),
			parts: parts.flatMap((standing) => originsOf(standing, parts))
		}))
	});
	return {
		...read(lesson, usedParts, usedRigs),
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
}

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

function read(lesson: Lesson, parts: readonly Part[], rigs: readonly Gimbal[]) {
	const ofParts = lesson.parts.flatMap(({ id, cgM }): Proposal[] => {
		const part = parts.find((each) => each.id === id);
		if (part === undefined) return [];
		const pick = (field: 'value' | 'sigma' | 'prior' | 'priorSigma'): Vec3 => [
			cgM[0][field],
			cgM[1][field],
			cgM[2][field]
		];
		if (!cgM.some(worthTelling)) return [];
		return [
			{
				about: 'part',
				key: id,
				part,
				beforeM: pick('prior'),
				beforeSigmaM: pick('priorSigma'),
				afterM: pick('value'),
				afterSigmaM: pick('sigma')
			}
		];
	});
	const ofZeros = lesson.rigs.flatMap(({ id, zeroM }) => {
		const rig = rigs.find((each) => each.id === id) as Gimbal;
		return rig.geometry.slides.flatMap((slide): Proposal[] => {
			const told = zeroM[slide.id];
			if (told === undefined || !worthTelling(told)) return [];
			return [
				{
					about: 'zero',
					key: `${id}.${slide.id}`,
					rig,
					slideId: slide.id,
					beforeM: slide.scale.readingAtZeroM,
					beforeSigmaM: told.priorSigma,
					afterM: slide.scale.readingAtZeroM + told.value,
					afterSigmaM: told.sigma
				}
			];
		});
	});
	const nameOf = (key: string) => {
		const part = parts.find(({ id }) => key.startsWith(`part:${id}.`));
		if (part !== undefined)
			return `${part.name}, ${{ x: 'fore-aft', y: 'sideways', z: 'height' }[key.slice(-1)] ?? ''}`;
		const rig = rigs.find(({ id }) => key.startsWith(`zero:${id}.`));
		const slide = rig?.geometry.slides.find(({ id }) => key.endsWith(`.${id}`));
		return rig === undefined || slide === undefined ? null : `${rig.name}, zero of the ${slide.label.toLowerCase()}`;
	};
	return {
		proposals: [...ofParts, ...ofZeros].sort((a, b) => surprise(b) - surprise(a)),
		untold: lesson.notIdentifiable.map(nameOf).filter((name) => name !== null)
	};
}

const worthTelling = ({ value, prior, priorSigma, learned }: Learned) =>
	Math.abs(value - prior) > Math.max(worthM, 0.25 * priorSigma) || learned > worthLearned;

/** How far a proposal goes beyond what was believed, in standard deviations: the telling ones first. */
const surprise = (proposal: Proposal): number =>
	proposal.about === 'zero'
		? Math.abs(proposal.afterM - proposal.beforeM) / proposal.beforeSigmaM
		: Math.max(
				...proposal.afterM.map(
					(value, axis) => Math.abs(value - (proposal.beforeM[axis] ?? 0)) / (proposal.beforeSigmaM[axis] || 1)
				)
			);
