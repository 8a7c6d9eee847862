import type { Vec3 } from '@poise/core';
import type { VenuePlan } from '$lib/model/venue';
import { boundsOfPlan } from '$lib/places/plan';
import type { PlanView } from '$lib/places/view';
import type { Move } from './model';

/** From above, from the foot of the sheet, from its right. */
export const sides = ['plan', 'front', 'side'] as const;
export type Side = (typeof sides)[number];
export const sideWords: Readonly<Record<Side, string>> = { plan: 'Plan', front: 'Front', side: 'Side' };

/** A point of the room on a drawing, and back: what the drawing does not show stays as it was. */
export const onSide = (side: Side, [x, y, z]: Vec3): readonly [number, number] =>
	side === 'plan' ? [x, y] : side === 'front' ? [x, z] : [y, z];
export const fromSide = (side: Side, [a, b]: readonly [number, number], was: Vec3): Vec3 =>
	side === 'plan' ? [a, b, was[2]] : side === 'front' ? [a, was[1], b] : [was[0], a, b];

/** The part of the room that a move takes up on a drawing, with air round it. */
export function extentOf(
	side: Side,
	points: readonly Vec3[],
	plan: VenuePlan | null,
	whole: boolean
): readonly [readonly [number, number], readonly [number, number]] {
	const shown = points.map((point) => onSide(side, point));
	if (whole && plan !== null) {
		const [from, to] = boundsOfPlan(plan);
		const top = plan.ceilingM ?? 4;
		shown.push(onSide(side, [from[0], from[1], 0]), onSide(side, [to[0], to[1], top]));
	}
	if (side !== 'plan') shown.push([shown[0]?.[0] ?? 0, 0]);
	const [as, bs] = [shown.map(([a]) => a), shown.map(([, b]) => b)];
	const [left, right, low, high] = [Math.min(...as), Math.max(...as), Math.min(...bs), Math.max(...bs)];
	// Never nearer than two metres across: a table and the arms about it.
	const short = Math.max(0, 2 - (right - left)) / 2;
	const flat = Math.max(0, 1.4 - (high - low)) / 2;
	return [
		[left - short, low - (side === 'plan' ? flat : 0)],
		[right + short, high + flat]
	];
}

/** How the room lies on the drawing: as large as it goes, drawn back a little so that a hand has room. */
export function viewOn(
	[[x0, y0], [x1, y1]]: ReturnType<typeof extentOf>,
	width: number,
	height: number,
	marginPx = 40
): PlanView {
	const pxPerM = Math.min(
		260,
		Math.max(
			1.2,
			Math.min((width - 2 * marginPx) / Math.max(0.5, x1 - x0), (height - 2 * marginPx) / Math.max(0.5, y1 - y0))
		)
	);
	return { middleM: [(x0 + x1) / 2, (y0 + y1) / 2], pxPerM };
}

/** The two edges of the frame on a drawing, from the lens as far as the subject and a little further. */
export function wedgeOf(
	move: Pick<Move, 'camera'>,
	pose: { readonly positionM: Vec3; readonly headingRad: number; readonly elevationRad: number },
	focalM: number,
	farM: number,
	side: Side
): readonly Vec3[] {
	const half = Math.atan((side === 'plan' ? move.camera.sensorWidthM : move.camera.sensorHeightM) / (2 * focalM));
	const [x, y, z] = pose.positionM;
	return Array.from({ length: 9 }, (_, k): Vec3 => {
		const turn = -half + (k / 8) * 2 * half;
		const [heading, elevation] =
			side === 'plan' ? [pose.headingRad + turn, pose.elevationRad] : [pose.headingRad, pose.elevationRad + turn];
		return [
			x + farM * Math.cos(elevation) * Math.cos(heading),
			y + farM * Math.cos(elevation) * Math.sin(heading),
			z + farM * Math.sin(elevation)
		];
	});
}
