/* eslint-disable max-lines -- small functions on one plan. */
import { crossingSides, type Kept, type Prism } from '@poise/core';
import {
	furthestPlanM,
	mostPoints,
	mostShapes,
	type PlanKind,
	type PlanPoint,
	type PlanShape,
	type PlanUnderlay,
	type VenuePlan
} from '$lib/model/venue';
import { type DrawnLine, lengthOf, spanOf } from './drawnLines';

export const kindWords: Readonly<Record<PlanKind, string>> = {
	wall: 'Wall',
	obstacle: 'Obstacle',
	people: 'People',
	keepOut: 'Keep out',
	line: 'Overhead line'
};

/** Walls and wires are lines; the rest are areas. */
export const isArea = (kind: PlanKind) => kind !== 'wall' && kind !== 'line';
export const leastPoints = (kind: PlanKind) => (isArea(kind) ? 3 : 2);

/** Room that a hand leaves beside a moving thing. */
const aroundM = 0.3;
/** From an overhead line, unless its owner says otherwise in writing. */
const fromLineM = 10;
/** Nothing of a keep-out is passed over, however high. */
const skyM = 200;

/** How far a moving arm keeps from each kind. */
export const keepM: Readonly<Record<PlanKind, number>> = {
	wall: aroundM,
	obstacle: aroundM,
	people: aroundM,
	keepOut: 0,
	line: fromLineM
};

const usualHeights = (kind: PlanKind, ceilingM: number | null): readonly [number, number] => {
	if (kind === 'wall') return [0, ceilingM ?? 3];
	if (kind === 'obstacle') return [0, 1];
	if (kind === 'people') return [0, 1.9];
	if (kind === 'line') return [6, 6];
	return [0, skyM];
};

/** Snapped to 5 cm: nobody paces a hall out finer, and a number can always be typed. */
export const snapped = ([x, y]: PlanPoint): PlanPoint => [Math.round(x * 20) / 20, Math.round(y * 20) / 20];

function freshId(shapes: readonly PlanShape[]): string {
	let number = shapes.length + 1;
	while (shapes.some(({ id }) => id === `s${number}`)) number += 1;
	return `s${number}`;
}

export function withShape(
	plan: VenuePlan,
	kind: PlanKind,
	pointsM: readonly PlanPoint[],
	label?: string
): { readonly plan: VenuePlan; readonly id: string } {
	const id = freshId(plan.shapes);
	const [bottomM, topM] = usualHeights(kind, plan.ceilingM);
	const count = plan.shapes.filter((each) => each.kind === kind).length + 1;
	const shape: PlanShape = { id, kind, label: label ?? `${kindWords[kind]} ${count}`, pointsM, bottomM, topM };
	return { plan: { ...plan, shapes: [...plan.shapes, shape] }, id };
}

export const changedShape = (plan: VenuePlan, id: string, next: Partial<PlanShape>): VenuePlan => ({
	...plan,
	shapes: plan.shapes.map((each) => (each.id === id ? { ...each, ...next } : each))
});

/** One of a kind in the middle of the plan, to be put right by figures: for whoever draws without a pointer. */
export function inTheMiddle(plan: VenuePlan, kind: PlanKind): readonly PlanPoint[] {
	const [[x0, y0], [x1, y1]] = boundsOfPlan(plan);
	const [x, y] = snapped([(x0 + x1) / 2, (y0 + y1) / 2]);
	return isArea(kind)
		? [
				[x - 1, y - 1],
				[x + 1, y - 1],
				[x + 1, y + 1],
				[x - 1, y + 1]
			]
		: [
				[x - 2, y],
				[x + 2, y]
			];
}

/** As another kind, with that kind's heights; a line becomes an area only with points enough for one. */
export function ofKind(plan: VenuePlan, { id, pointsM }: PlanShape, kind: PlanKind): VenuePlan {
	if (pointsM.length < leastPoints(kind)) return plan;
	const [bottomM, topM] = usualHeights(kind, plan.ceilingM);
	return changedShape(plan, id, { kind, bottomM, topM });
}

export const withoutShape = (plan: VenuePlan, id: string): VenuePlan => ({
	...plan,
	shapes: plan.shapes.filter((each) => each.id !== id)
});

/** Why a coordinate is none, in words; null: it is one. */
export const onPlan = (value: number): string | null =>
	Math.abs(value) <= furthestPlanM ? null : `Within ${furthestPlanM} m.`;
const onSheet = (value: number) => Math.min(furthestPlanM, Math.max(-furthestPlanM, value));

export const withPoint = (plan: VenuePlan, shape: PlanShape, index: number, [x, y]: PlanPoint): VenuePlan =>
	changedShape(plan, shape.id, {
		pointsM: shape.pointsM.map((each, k) => (k === index ? [onSheet(x), onSheet(y)] : each))
	});

/** One more point in the middle of the side that starts at `index`. */
export function withMorePoint(plan: VenuePlan, shape: PlanShape, index: number): VenuePlan {
	const [from, to] = [shape.pointsM[index]!, shape.pointsM[(index + 1) % shape.pointsM.length]!];
	const middle: PlanPoint = [(from[0] + to[0]) / 2, (from[1] + to[1]) / 2];
	return changedShape(plan, shape.id, {
		pointsM: [...shape.pointsM.slice(0, index + 1), middle, ...shape.pointsM.slice(index + 1)]
	});
}

export const withoutPoint = (plan: VenuePlan, shape: PlanShape, index: number): VenuePlan =>
	shape.pointsM.length <= leastPoints(shape.kind)
		? plan
		: changedShape(plan, shape.id, { pointsM: shape.pointsM.filter((_, k) => k !== index) });

export const movedBy = (plan: VenuePlan, shape: PlanShape, [dx, dy]: PlanPoint): VenuePlan =>
	changedShape(plan, shape.id, {
		pointsM: shape.pointsM.map(([x, y]): PlanPoint => [onSheet(x + dx), onSheet(y + dy)])
	});

/** Why a shape is none, in words; null: all is well. */
export function wrongWithShape({ kind, label, pointsM, bottomM, topM }: PlanShape): string | null {
	if (label.trim() === '') return 'Give it a name.';
	if (topM < bottomM) return `“${label}” has its top under its bottom.`;
	return isArea(kind) && crossingSides(pointsM) !== null
		? `The outline of “${label}” crosses itself: drag its points into order.`
		: null;
}

export interface TakenIn {
	readonly plan: VenuePlan;
	readonly taken: number;
	/** Left out because a plan holds only so many. */
	readonly tooMany: number;
}

/**
 * Puts the lines of a drawing file on the plan, its lower left corner at the plan's: closed ones as obstacles up to the
 * ceiling, open ones as walls. The longest come first, and long ones are thinned to what a plan holds.
 */
export function withDrawing(plan: VenuePlan, lines: readonly DrawnLine[], unitM: number): TakenIn {
	const room = mostShapes - plan.shapes.length;
	const sorted = [...lines].sort((one, two) => lengthOf(two) - lengthOf(one));
	const [[left, low]] = spanOf(lines) ?? [[0, 0]];
	let next = plan;
	for (const { points, closed, label } of sorted.slice(0, Math.max(0, room))) {
		const every = Math.ceil(points.length / mostPoints);
		const pointsM = points
			.filter((_, index) => index % every === 0 || (index === points.length - 1 && !closed))
			.slice(-mostPoints)
			.map(([x, y]): PlanPoint => [onSheet((x - left) * unitM), onSheet((y - low) * unitM)]);
		const around = closed && next.shapes.length === plan.shapes.length;
		// The longest closed line is the room itself: a wall all round, not something standing in it.
		const kind: PlanKind = closed && !around ? 'obstacle' : 'wall';
		const added = withShape(next, kind, around ? [...pointsM, pointsM[0]!].slice(-mostPoints) : pointsM, label);
		next = added.plan;
	}
	return { plan: next, taken: next.shapes.length - plan.shapes.length, tooMany: Math.max(0, lines.length - room) };
}

/** A fresh picture under the plan: its corner at the plan's, as wide as a hall, until it is scaled. */
export const freshUnderlay = (pictureId: string, widthPx: number, heightPx: number): PlanUnderlay => ({
	pictureId,
	widthPx,
	heightPx,
	mPerPx: 20 / widthPx,
	atM: [0, 0],
	turnRad: 0
});

/** Scaled so that two points of the picture, as drawn now, are so far apart; the first stays where it is. Null: they are the same point. */
export function scaledBy(
	underlay: PlanUnderlay,
	[first, second]: readonly [PlanPoint, PlanPoint],
	apartM: number
): PlanUnderlay | null {
	const drawn = Math.hypot(second[0] - first[0], second[1] - first[1]);
	if (drawn < 1e-6 || !(apartM > 0)) return null;
	const factor = apartM / drawn;
	return {
		...underlay,
		mPerPx: underlay.mPerPx * factor,
		atM: [first[0] + (underlay.atM[0] - first[0]) * factor, first[1] + (underlay.atM[1] - first[1]) * factor]
	};
}

/** Turned so that the line from the first point to the second runs along the sheet; the first stays where it is. */
export function levelledBy(
	underlay: PlanUnderlay,
	[first, second]: readonly [PlanPoint, PlanPoint]
): PlanUnderlay | null {
	const [dx, dy] = [second[0] - first[0], second[1] - first[1]];
	if (Math.hypot(dx, dy) < 1e-6) return null;
	const turn = -Math.atan2(dy, dx);
	const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
	const [ox, oy] = [underlay.atM[0] - first[0], underlay.atM[1] - first[1]];
	const total = underlay.turnRad + turn;
	return {
		...underlay,
		atM: [first[0] + ox * cos - oy * sin, first[1] + ox * sin + oy * cos],
		turnRad: Math.atan2(Math.sin(total), Math.cos(total))
	};
}

/** Corners of a picture on the plan, lower left first, counter-clockwise. */
export function cornersOf({ widthPx, heightPx, mPerPx, atM, turnRad }: PlanUnderlay): readonly PlanPoint[] {
	const [w, h] = [widthPx * mPerPx, heightPx * mPerPx];
	const [cos, sin] = [Math.cos(turnRad), Math.sin(turnRad)];
	return [
		[0, 0],
		[w, 0],
		[w, h],
		[0, h]
	].map(([x, y]): PlanPoint => [atM[0] + x! * cos - y! * sin, atM[1] + x! * sin + y! * cos]);
}

/** Least and greatest corner of all that is drawn, never smaller than a room. */
export function boundsOfPlan(plan: VenuePlan): readonly [PlanPoint, PlanPoint] {
	const outlines = plan.shapes.map(({ pointsM }) => pointsM);
	return (
		spanOf(
			[...outlines, ...(plan.underlay === null ? [] : [cornersOf(plan.underlay)])].map((points) => ({ points }))
		) ?? [
			[0, 0],
			[12, 8]
		]
	);
}

/** A shape as what the core keeps clear of. */
const prismOf = ({ id, kind, pointsM, bottomM, topM }: PlanShape): Prism => ({
	id,
	outlineM: pointsM,
	closed: isArea(kind),
	bottomM,
	topM
});
export const keptOf = (shape: PlanShape): Kept => ({ ...prismOf(shape), keepM: keepM[shape.kind] });
