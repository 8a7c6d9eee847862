import {
	type KeyedMove,
	type Mount,
	moveClearance,
	type MoveNear,
	type MovingBody,
	type Obstacle,
	type Vec3
} from '@poise/core';
import type { PlanKind, PlanShape, VenuePlan } from '$lib/model/venue';
import { isArea } from '$lib/places/plan';
import { carriedTo, putAt } from './knots';
import { readMove } from './figures';
import type { Move } from './model';
import { poseOf, type Run, runOf, runs, sample, valuesAt } from './path';
import { behaves } from './supports';

/** From an overhead line, unless its owner says otherwise in writing. */
const fromLineM = 10;
const skyM = 200;
/** Things this much further off than what is asked are still named. */
const spokenOfM = 1.5;
const over = 'over-';

/** What a move is tried against, and how much room each thing is to have. */
export interface ClearQuestion {
	readonly mount: Mount;
	readonly moves: readonly KeyedMove[];
	readonly bodies: readonly MovingBody[];
	readonly shapes: readonly Obstacle[];
	readonly eachWithinM: number;
}

export interface ClearFinding {
	readonly id: string;
	readonly label: string;
	readonly kind: PlanKind | 'ceiling' | 'floor';
	readonly bodyId: string;
	readonly clearanceM: number;
	readonly wantedM: number;
	readonly atS: number;
}
export interface ClearAnswer {
	readonly findings: readonly ClearFinding[];
	/** People whose places are passed over, however high. */
	readonly overPeople: readonly string[];
}

const keepM = (kind: ClearFinding['kind'], safetyM: number): number =>
	kind === 'line' ? Math.max(fromLineM, safetyM) : kind === 'keepOut' || kind === 'floor' ? 0 : safetyM;

const prismOf = ({ id, kind, pointsM, bottomM, topM }: PlanShape): Obstacle => ({
	id,
	kind: 'prism',
	outlineM: pointsM,
	closed: isArea(kind),
	bottomM,
	topM
});
/** Floor and ceiling reach as far as any plan. */
const slab = (id: string, atM: number, up: boolean): Obstacle => ({
	id,
	kind: 'box',
	centreM: [0, 0, atM + (up ? 1 : -1)],
	sizeM: [2000, 2000, 2]
});

/** Null: nothing to prove, or a walk, whose way nobody can promise. */
export function clearQuestion(move: Move, run: Run, plan: VenuePlan | null): ClearQuestion | null {
	const moving = behaves(move.support).moving(move.support);
	if (moving === null) return null;
	const { backM, frontM, radiusM } = move.camera;
	const shapes = plan?.shapes ?? [];
	const most = shapes.some(({ kind }) => kind === 'line') ? Math.max(fromLineM, move.safetyM) : move.safetyM;
	return {
		mount: moving.mount,
		moves: run.moves,
		bodies: [{ id: 'camera', on: 'camera', fromM: [-backM, 0, 0], toM: [frontM, 0, 0], radiusM }, ...moving.bodies],
		shapes: [
			...shapes.map(prismOf),
			...shapes
				.filter(({ kind }) => kind === 'people')
				.map((shape) => ({ ...prismOf({ ...shape, bottomM: 0, topM: skyM }), id: `${over}${shape.id}` })),
			slab('floor', 0, false),
			...(plan?.ceilingM == null ? [] : [slab('ceiling', plan.ceilingM, true)])
		],
		eachWithinM: most + spokenOfM
	};
}

/** What the core found, as the slip says it: what wants room most first. */
export function readClear(near: readonly MoveNear[], safetyM: number, plan: VenuePlan | null): ClearAnswer {
	const shapes = new Map((plan?.shapes ?? []).map((shape) => [shape.id, shape]));
	const findings = near.flatMap(({ shapeId, bodyId, clearanceM, atS }): ClearFinding[] => {
		if (shapeId.startsWith(over)) return [];
		const shape = shapes.get(shapeId);
		const kind = shape?.kind ?? (shapeId === 'floor' ? 'floor' : 'ceiling');
		const label = shape?.label ?? (kind === 'floor' ? 'Floor' : 'Ceiling');
		// The floor is spoken of only where it is the news.
		if (kind === 'floor' && clearanceM > 0.1) return [];
		return [{ id: shapeId, label, kind, bodyId, clearanceM, wantedM: keepM(kind, safetyM), atS }];
	});
	return {
		findings: findings.sort((one, two) => one.clearanceM - one.wantedM - (two.clearanceM - two.wantedM)),
		overPeople: near
			.filter(({ shapeId, clearanceM }) => shapeId.startsWith(over) && clearanceM <= 0)
			.map(({ shapeId }) => shapes.get(shapeId.slice(over.length))?.label ?? '')
	};
}
export const tooNear = ({ clearanceM, wantedM }: ClearFinding): boolean => clearanceM < wantedM || clearanceM <= 0;

/** How far a bubble leans: at the mark with just the room that is asked, within them with up to half as much again. */
export const bubbleOf = ({ clearanceM, wantedM }: ClearFinding): number =>
	Math.max(-12, Math.min(12, 1 - (4 * (clearanceM - wantedM)) / Math.max(0.05, wantedM)));

const directions: readonly Vec3[] = [
	[0, 0, 1],
	[1, 0, 0],
	[-1, 0, 0],
	[0, 1, 0],
	[0, -1, 0],
	[0.7, 0, 0.7],
	[-0.7, 0, 0.7],
	[0, 0.7, 0.7],
	[0, -0.7, 0.7],
	[0, 0, -1]
];
const distancesM = [0.15, 0.3, 0.5, 0.8, 1.2, 1.8, 2.6];

/** A move with one knot more that keeps its room, the nearest to what was planned; null: none of those tried does. */
export function viaThatClears(
	move: Move,
	plan: VenuePlan | null
): { readonly move: Move; readonly knotId: string } | null {
	const run = runOf(move);
	if (!runs(run)) return null;
	const asked = clearQuestion(move, run, plan);
	if (asked === null) return null;
	const worst = readClear(moveClearance(asked), move.safetyM, plan).findings.find(tooNear);
	if (worst === undefined) return null;
	const put = putAt(move, run, worst.atS) ?? null;
	// Nearest at a knot: that knot itself is moved.
	const at = put ?? {
		move,
		id: move.knots.reduce((best, each) => (Math.abs(each.tS - worst.atS) < Math.abs(best.tS - worst.atS) ? each : best))
			.id
	};
	const values = valuesAt(sample(run, [worst.atS]), 0);
	const [x, y, z] = poseOf(move, values).centreM;
	for (const far of distancesM)
		for (const [dx, dy, dz] of directions) {
			const { move: tried, reached } = carriedTo(at.move, at.id, [x + far * dx, y + far * dy, z + far * dz]);
			if (reached.missM > far * 0.75) continue;
			const { figures } = readMove(tried);
			if (figures === null || figures.beyond.length > 0) continue;
			const question = clearQuestion(tried, figures.run, plan)!;
			const answer = readClear(moveClearance(question), tried.safetyM, plan);
			if (!answer.findings.some(tooNear)) return { move: tried, knotId: at.id };
		}
	return null;
}

/** Tells one way through one room from another: what was ticked and run backwards is this one or it is not. */
export function pathMark(move: Move, planVersion: number | null): string {
	const { venueId, support, head, camera, subject, aim, focus, knots, tempo, rampInS, rampOutS, ends } = move;
	const text = JSON.stringify([
		[venueId, planVersion],
		[support, head.kind, head.bar, camera, subject],
		[aim, focus, knots, tempo, rampInS, rampOutS, ends]
	]);
	let hash = 0x811c9dc5;
	for (let k = 0; k < text.length; k += 1) hash = Math.imul(hash ^ text.charCodeAt(k), 0x01000193) >>> 0;
	return `${hash.toString(16)}-${text.length}`;
}
