import { degFromRad, type Vec3 } from '@poise/core';
import type { VenuePlan } from '$lib/model/venue';
import type { Move } from './model';
import { poseOf, runOf, runs, sample, valuesAt } from './path';
import { extentOf, onSide, type Side, viewOn } from './stage';
import { behaves } from './supports';
import { toScreen } from '$lib/places/view';

/** A move drawn small, in dots of its drawing: the same support, the same way and the same subject as on its plan. */
export interface SmallMove {
	readonly side: Side;
	readonly view: ReturnType<typeof viewOn>;
	/** Where the lens goes; no further than the knots where the move does not run. */
	readonly way: string;
	readonly strokes: readonly { readonly as: string; readonly path: string; readonly px: number }[];
	readonly knots: readonly { readonly x: number; readonly y: number }[];
	readonly subject: { readonly x: number; readonly y: number };
	/** Which way the camera of the first knot looks on the drawing, clockwise from the right. */
	readonly looksDeg: number;
	/** From the lens to the subject, at the first knot and at the last. */
	readonly sights: string;
	/** Of the floor, from a side. */
	readonly floorY: number | null;
}

const instants = 33;

/** From above, but for what rises, hangs or stands at a wall: that is seen from the side. */
export function sideOf({ support }: Pick<Move, 'support'>): Side {
	if (support.kind === 'arm' || support.kind === 'walk') return 'plan';
	const level = support.stance === 'up' && (support.kind === 'fixed' || Math.abs(support.inclineRad) < 0.1);
	if (level) return 'plan';
	return Math.abs(Math.cos(support.headingRad)) >= Math.abs(Math.sin(support.headingRad)) ? 'front' : 'side';
}

export function smallMove(move: Move, plan: VenuePlan | null, width: number, height: number): SmallMove {
	const side = sideOf(move);
	const run = runOf(move);
	const poses = move.knots.map(({ values }) => poseOf(move, values));
	const stood = poses.map(({ centreM }) => centreM);
	const way = runs(run) ? wayOf(move, run) : stood;
	const first = move.knots[0]!;
	const strokes = behaves(move.support).strokes(move.support, first.values);
	const points = [...way, move.subject.atM, ...strokes.flatMap(({ fromM, toM }) => [fromM, toM])];
	const view = viewOn(extentOf(side, points, plan, false), width, height, 14);
	const at = (point: Vec3) => toScreen(view, width, height, onSide(side, point));
	const line = (list: readonly Vec3[]) =>
		`M${list
			.map((point) => {
				const { x, y } = at(point);
				return `${x.toFixed(1)} ${y.toFixed(1)}`;
			})
			.join('L')}`;
	const sights = [stood[0]!, stood[stood.length - 1]!].map((from) => line([from, move.subject.atM])).join('');
	const { headingRad, elevationRad } = poses[0]!;
	const ahead: Vec3 = [
		Math.cos(elevationRad) * Math.cos(headingRad),
		Math.cos(elevationRad) * Math.sin(headingRad),
		Math.sin(elevationRad)
	];
	const [right, up] = onSide(side, ahead);
	return {
		looksDeg: degFromRad(Math.atan2(-up, right)),
		side,
		view,
		way: line(way),
		strokes: strokes.map(({ as, fromM, toM, thickM }) => ({
			as,
			path: line([fromM, toM]),
			px: Math.min(5, Math.max(1.4, thickM * view.pxPerM))
		})),
		knots: stood.map(at),
		subject: at(move.subject.atM),
		sights,
		floorY: side === 'plan' ? null : at([0, 0, 0]).y
	};
}

function wayOf(move: Move, run: Extract<ReturnType<typeof runOf>, { readonly moves: unknown }>): Vec3[] {
	const atS = Array.from({ length: instants }, (_, k) => run.startS + ((run.endS - run.startS) * k) / (instants - 1));
	const sampled = sample(run, atS);
	return atS.map((_, k) => poseOf(move, valuesAt(sampled, k)).centreM);
}
