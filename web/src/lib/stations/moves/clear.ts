import type { Vec3 } from '@poise/core';
import type { VenuePlan } from '$lib/model/venue';
import { cameraRod } from '$lib/model/lensAt';
import {
	type ClearFinding,
	type ClearQuestion,
	readClear,
	type RoomAsked,
	roomOf,
	tooNear,
	tryClear
} from '$lib/places/clearance';
import { carriedTo } from './carry';
import { changedKnot, putAt } from './knots';
import { readMove } from './figures';
import type { Move } from './model';
import { poseOf, type Run, runOf, runs, sample, valuesAt } from './path';
import { behaves } from './supports';

/** The room that a move asks, and what its support gives beside. */
export const askedOf = ({ support, safetyM }: Pick<Move, 'support' | 'safetyM'>): RoomAsked => ({
	safetyM,
	givesM: behaves(support).gives(support)?.m ?? 0
});

/** Null: nothing to prove, or a walk, whose way nobody can promise. */
export function clearQuestion(move: Move, run: Run, plan: VenuePlan | null): ClearQuestion | null {
	const moving = behaves(move.support).moving(move.support, plan);
	if (moving === null) return null;
	return {
		mount: moving.mount,
		moves: run.moves,
		bodies: [{ id: 'camera', on: 'camera', ...cameraRod(move.camera, move.camera.lens) }, ...moving.bodies],
		standing: moving.standing,
		...roomOf(plan, askedOf(move))
	};
}

/** Of what goes along: where something stands in it, no knot helps. */
const inTheWay = (finding: ClearFinding): boolean => tooNear(finding) && !finding.stands;

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
const distancesM = [0.15, 0.3, 0.5, 0.8, 1.2, 1.8, 2.6, 3.6, 4.8];

/** A move with one knot more that keeps its room, the nearest to what was planned; null: none of those tried does. */
export function viaThatClears(
	move: Move,
	plan: VenuePlan | null
): { readonly move: Move; readonly knotId: string } | null {
	const run = runOf(move);
	if (!runs(run)) return null;
	const asked = clearQuestion(move, run, plan);
	if (asked === null) return null;
	const worst = readClear(tryClear(asked), askedOf(move), plan).findings.find(inTheWay);
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
			const answer = readClear(tryClear(question), askedOf(tried), plan);
			if (answer.findings.some(inTheWay)) continue;
			const name = `past ${worst.label}`.slice(0, 40);
			const isNew = put !== null && !tried.knots.some((knot) => knot.name === name);
			return { move: isNew ? changedKnot(tried, at.id, { name }) : tried, knotId: at.id };
		}
	return null;
}

/** Tells one way through one room from another: what was ticked and run backwards is this one or it is not. */
export function pathMark(move: Move, planVersion: number | null): string {
	const { venueId, support, head, camera, subject, aim, focus, knots, tempo, rampInS, rampOutS } = move;
	const text = JSON.stringify([
		[venueId, planVersion],
		// What it gives is no part of the way; a lens that nobody has measured is none, however that is written.
		[{ ...support, givesM: undefined }, head.kind, head.bar, { ...camera, lens: camera.lens ?? undefined }, subject],
		[aim, focus, knots, tempo, rampInS, rampOutS]
	]);
	let hash = 0x811c9dc5;
	for (let k = 0; k < text.length; k += 1) hash = Math.imul(hash ^ text.charCodeAt(k), 0x01000193) >>> 0;
	return `${hash.toString(16)}-${text.length}`;
}
