import type { Vec3 } from '@poise/core';
import { withKnot } from './knots';
import { moveLimits } from './limits';
import type { BaseAxis, Move, Values } from './model';
import { poseOf } from './path';
import { behaves } from './supports';
import type { Reached } from './supports/contract';

/** A hand that pulls a tripod out of the house leaves it at the edge of what can be kept. */
function inVenue([x, y, z]: Vec3): Vec3 {
	const { place, height } = moveLimits;
	const within = (value: number, { least, most: greatest }: typeof place) => Math.min(greatest, Math.max(least, value));
	return [within(x, place), within(y, place), within(z, height)];
}

/** The hand's way with the camera: what the support makes of it, and how far off it stays. */
export function carriedTo(
	move: Move,
	id: string,
	toM: Vec3,
	by: 'arm' | 'base' | 'both' = 'both'
): { readonly move: Move; readonly reached: Reached } {
	const knot = move.knots.find((each) => each.id === id);
	if (knot === undefined) return { move, reached: { values: {}, missM: 0, why: null } };
	const how = behaves(move.support);
	const byBase = by === 'base' ? (how.reachByBase?.(move.support, knot.values, toM) ?? null) : null;
	let reached = byBase ?? how.reach(move.support, knot.values, toM);
	if (by === 'arm' && knot.values.trackM !== undefined && move.support.kind === 'arm') {
		const still = { ...move.support, track: null };
		const alone = how.reach({ ...still, pivotM: pivotOf(move, knot.values) }, { ...knot.values, trackM: 0 }, toM);
		reached = { ...alone, values: { ...alone.values, trackM: knot.values.trackM } };
	}
	if (move.support.kind === 'fixed')
		return {
			move: { ...move, support: { ...move.support, atM: inVenue(toM) } },
			reached: { values: {}, missM: 0, why: null }
		};
	const values = { ...knot.values, ...(reached.values as Partial<Record<BaseAxis, number>>) };
	return { move: withKnot(move, id, (each) => ({ ...each, values })), reached };
}
function pivotOf(move: Move, values: Values): Vec3 {
	if (move.support.kind !== 'arm') return [0, 0, 0];
	const { pivotM, track } = move.support;
	const u = values.trackM ?? 0;
	return track === null
		? pivotM
		: [pivotM[0] + u * Math.cos(track.headingRad), pivotM[1] + u * Math.sin(track.headingRad), pivotM[2]];
}

export const ways = ['orbit', 'push', 'truck', 'lift', 'turn'] as const;
export type Way = (typeof ways)[number];

/** Where a hand that goes so far across and up brings the camera, in metres of the room. */
export function wayOf(move: Move, values: Values, way: Way, across: number, up: number): Vec3 {
	const { centreM, headingRad } = poseOf(move, values);
	const [x, y, z] = centreM;
	const [sx, sy, sz] = move.subject.atM;
	const [ch, sh] = [Math.cos(headingRad), Math.sin(headingRad)];
	switch (way) {
		case 'orbit': {
			const [dx, dy] = [x - sx, y - sy];
			const out = Math.hypot(dx, dy);
			// To the right goes the camera, by an arc as long as the hand's way.
			const turn = across / Math.max(0.2, out);
			const [c, s] = [Math.cos(turn), Math.sin(turn)];
			return [sx + dx * c - dy * s, sy + dx * s + dy * c, z + up];
		}
		case 'push': {
			const [dx, dy, dz] = [sx - x, sy - y, sz - z];
			const far = Math.hypot(dx, dy, dz);
			// Not into the subject.
			const go = Math.min(up, far - 0.2);
			return far < 1e-6 ? centreM : [x + (dx / far) * go, y + (dy / far) * go, z + (dz / far) * go];
		}
		case 'truck':
			return [x + sh * across + ch * up, y - ch * across + sh * up, z];
		case 'lift':
			return [x + sh * across, y - ch * across, z + up];
		case 'turn':
			return centreM;
	}
}
