import type { Leg } from '@poise/core';
import type { HeadSeen } from '@poise/desk/messages';
import type { LivePose, Programme } from '$lib/model/liveHead';
import type { LiveMove } from '$lib/model/liveMove';

type Values = Readonly<Record<string, number>>;
/** A desk takes no more keys of a way than this. */
const mostKeys = 190;

/** What of some places a head can be asked: the axes it has, whose ends are known. */
export function goalOf(head: Pick<HeadSeen, 'ready'>, values: Values): Values {
	return Object.fromEntries(Object.entries(values).filter(([axis]) => head.ready.includes(axis)));
}
const pose = (name: string, to: Values, wantedS: number | null = null, restS = 0): Leg => ({
	...{ kind: 'pose', name, to, wantedS, restS }
});

/** Its poses one after the other; one that is gone is left out. */
export const legsOf = (head: Pick<HeadSeen, 'ready'>, programme: Programme, poses: readonly LivePose[]): Leg[] =>
	programme.legs.flatMap(({ poseId, restS, wantedS }) => {
		const found = poses.find(({ id }) => id === poseId);
		return found === undefined ? [] : [pose(found.name, goalOf(head, found.values), wantedS, restS)];
	});

/** From where it is to where the move begins, then the move, to its end or to a knot; backwards from its end. */
export function legsOfMove(
	head: Pick<HeadSeen, 'ready'>,
	move: LiveMove,
	{ backwards, toKnot }: { readonly backwards: boolean; readonly toKnot: number | null }
): Leg[] {
	const untilS = toKnot === null ? null : (move.knots[toKnot]?.atS ?? null);
	const cut = untilS === null ? move.keys : keysUntil(move, untilS);
	const keys = (backwards ? reversed(cut) : cut).slice(0, mostKeys).map(({ tS, values }) => ({
		tS,
		values: goalOf(head, values)
	}));
	const first = keys[0];
	if (first === undefined || keys.length < 2 || Object.keys(first.values).length === 0) return [];
	return [
		pose(`the start of ${move.name}`, first.values),
		{ kind: 'keyed', name: move.name, keys, ends: 'still', restS: 0 }
	];
}
function keysUntil({ keys, knots }: LiveMove, untilS: number): LiveMove['keys'] {
	const last = knots.find(({ atS }) => atS === untilS);
	const before = keys.filter(({ tS }) => tS < untilS - 0.02);
	return last === undefined ? before : [...before, { tS: untilS, values: last.values }];
}
function reversed(keys: LiveMove['keys']): LiveMove['keys'] {
	const endS = keys[keys.length - 1]?.tS ?? 0;
	return [...keys].reverse().map(({ tS, values }) => ({ tS: endS - tS, values }));
}

export const shapes = ['even', 'soft', 'build'] as const;
/** How a slider runs to a place: at one speed with short ramps, softly at both ends, or faster and faster to a hard end. */
export type Shape = (typeof shapes)[number];
export const shapeWords: Readonly<Record<Shape, string>> = {
	even: 'even',
	soft: 'soft at both ends',
	build: 'builds to a hard end'
};

/**
 * A slider's run to a place by a shape, as quick as its limits let it or as slow as is wanted. Even: speed v after a ramp of v/a and
 * before one. Build: it gains until the last moment, then brakes as hard as it may: a hard end that is still an end.
 */
export function slide(
	from: number,
	to: number,
	limits: { readonly maxRate: number; readonly maxAccel: number },
	shape: Shape,
	wantedS: number | null
): Leg | null {
	const way = Math.abs(to - from);
	if (way < 1e-4) return null;
	if (shape === 'soft') return pose('that place on the rail', { trackM: to }, wantedS);
	// A spline through its points is a little harder than the points: nine tenths of the limits leave it room.
	const [most, brake] = [0.9 * limits.maxRate, 0.9 * limits.maxAccel];
	const gainOf = (top: number, lastsS: number) => top / Math.max(1e-6, lastsS - top / brake);
	let top = Math.min(most, Math.sqrt(way * brake));
	if (shape === 'even') {
		if (wantedS !== null) {
			// way = v (T − v/a): the lesser root.
			const inside = (brake * wantedS) ** 2 - 4 * brake * way;
			if (inside > 0) top = Math.min(top, (brake * wantedS - Math.sqrt(inside)) / 2);
		}
		const lastsS = way / top + top / brake;
		return keyed(from, to, lastsS, (t) => trapezoid(t, top, brake, brake, lastsS));
	}
	// Build: from rest to v by a steady gain over the time wanted, then the brake; v T / 2 = way.
	const shortestS = Math.max((2 * way) / most, 2 * Math.sqrt(way / brake));
	const lastsS = Math.max(shortestS, wantedS ?? 0);
	top = (2 * way) / lastsS;
	return keyed(from, to, lastsS, (t) => trapezoid(t, top, gainOf(top, lastsS), brake, lastsS));
}
/** How far along, of a way that gains, keeps a top speed and brakes. */
function trapezoid(t: number, top: number, gain: number, brake: number, lastsS: number): number {
	const [gains, brakes] = [top / gain, top / brake];
	if (t < gains) return (gain * t * t) / 2;
	const even = lastsS - gains - brakes;
	if (t < gains + even) return (top * gains) / 2 + top * (t - gains);
	const left = Math.max(0, lastsS - t);
	return (top * gains) / 2 + top * even + (top * brakes) / 2 - (brake * left * left) / 2;
}
function keyed(from: number, to: number, lastsS: number, way: (t: number) => number): Leg {
	const sign = Math.sign(to - from);
	const count = 60;
	const total = way(lastsS);
	return {
		...{ kind: 'keyed', name: 'that place on the rail', ends: 'still', restS: 0 },
		keys: Array.from({ length: count + 1 }, (_, k) => {
			const t = (lastsS * k) / count;
			return { tS: t, values: { trackM: from + (sign * Math.abs(to - from) * way(t)) / total } };
		})
	};
}
