import { checksFor } from '../input';
import { accelAlong, along, type KeyedMove, type MoveKey, type PathPieces, readMove } from '../motion/pathPieces';
import { atOfPiece, type CubicPiece, type SplineEnd, turnsOfPiece } from '../numeric/spline';
import { paceBrake } from './stopOnPath';
import { type AxisValues, type MotionLimit, transition } from './transition';
import { minimumJerk, minimumJerkRate, minimumJerkAccel } from '../motion/minimumJerk';

/** What a head is led along: from a pose to another, or through the keys of a move. Time on it runs from 0. */
export type Way =
	| { readonly kind: 'pose'; readonly from: AxisValues; readonly to: AxisValues; readonly durationS: number }
	| { readonly kind: 'keyed'; readonly path: PathPieces; readonly move: KeyedMove; readonly durationS: number };

/** Soft ends of an axis, and what it can do. */
export interface WayAxis extends MotionLimit {
	readonly range: readonly [number, number];
}
/** A part of what a head is to run: to a pose and rest there, or through a move's keys. */
export type Leg =
	| {
			readonly kind: 'pose';
			readonly name: string;
			readonly to: AxisValues;
			readonly wantedS: number | null;
			readonly restS: number;
	  }
	| {
			readonly kind: 'keyed';
			readonly name: string;
			readonly keys: readonly MoveKey[];
			readonly ends: 'natural' | 'still';
			readonly restS: number;
	  };
export function checkAxes(call: string, axes: Readonly<Record<string, WayAxis>>): void {
	const check = checksFor(call);
	for (const [axis, { range, maxRate, maxAccel }] of Object.entries(axes)) {
		check.range(`axes.${axis}.range`, range);
		check.positive(`axes.${axis}.maxRate`, maxRate);
		check.positive(`axes.${axis}.maxAccel`, maxAccel);
	}
}
/** So far off the way, of its range, a head is no longer on it. */
export const offShare = 0.01;
/** Further past a soft end than this, of its range, a way through keys is none. */
const endShare = 1e-6;

/**
 * The way that a leg is driven along from where a head stands: the one answer for whoever drives it and whoever tries it. To a pose each axis
 * goes as given, stopped at its soft end; through keys only from where they begin (`offPath`) and where they keep to the soft ends all the
 * way (`beyondEnds`): stopped at one it would leave the way that was tried. Throws `PhysicsInputError` for figures that are not finite.
 *
 * @example
 * wayOfLeg({ from: { panRad: -1.75 }, leg: { kind: 'pose', name: 'over', to: { panRad: 1.75 }, wantedS: null, restS: 0 }, axes: { panRad: { range: [-2, 2], maxRate: 1, maxAccel: 2 } } }).durationS; // 6.5625
 */
export function wayOfLeg(input: {
	readonly from: AxisValues;
	readonly leg: Leg;
	readonly axes: Readonly<Record<string, WayAxis>>;
}): Way | 'offPath' | 'beyondEnds' {
	const { from, leg, axes } = input;
	checkAxes('wayOfLeg', axes);
	const check = checksFor('wayOfLeg');
	for (const [axis, value] of Object.entries(from)) check.number(`from.${axis}`, value);
	check.atLeastZero('leg.restS', leg.restS);
	if (leg.kind === 'pose') {
		for (const [axis, value] of Object.entries(leg.to)) check.number(`leg.to.${axis}`, value);
		const names = Object.keys(leg.to).filter((axis) => axes[axis] !== undefined && from[axis] !== undefined);
		if (names.length === 0) return 'offPath';
		const to = Object.fromEntries(
			names.map((axis) => {
				const [least, most] = axes[axis]!.range;
				return [axis, Math.min(most, Math.max(least, leg.to[axis]!))];
			})
		);
		const here = Object.fromEntries(names.map((axis) => [axis, from[axis]!]));
		return toPose(here, to, axes, leg.wantedS ?? undefined);
	}
	const way = throughKeys(leg.keys, leg.ends);
	for (const [axis, value] of Object.entries(wayAt(way, 0).values)) {
		const [least, most] = axes[axis]?.range ?? [0, 0];
		if (!(Math.abs((from[axis] ?? Infinity) - value) <= offShare * (most - least))) return 'offPath';
	}
	for (const axis of way.path.axes) {
		const [least, most] = axes[axis]!.range;
		const slack = endShare * (most - least);
		const [low, high] = extentOf(way.path, axis);
		if (low < least - slack || high > most + slack) return 'beyondEnds';
	}
	return way;
}
/** How far an axis goes either way, between its keys too. */
export function extentOf({ pieces, first, last }: PathPieces, axis: string): readonly [number, number] {
	const seen = [first[axis]!, last[axis]!, ...pieces[axis]!.flatMap(extentOfPiece)];
	return [Math.min(...seen), Math.max(...seen)];
}
/** At its ends, or where it turns back. */
export function extentOfPiece(piece: CubicPiece): readonly [number, number] {
	const seen = turnsOfPiece(piece).map((s) => atOfPiece(piece, s));
	return [Math.min(...seen), Math.max(...seen)];
}

/** The very places of a way as a keyed move, over its own time: what is proven of it is what is driven. */
export function keyedOf(way: Way): KeyedMove {
	if (way.kind === 'keyed') return way.move;
	const { from, to, durationS } = way;
	// All axes go by one clock: in their space the way is straight, whatever its pace.
	const keys =
		durationS === 0
			? [{ tS: 0, values: to }]
			: [
					{ tS: 0, values: from },
					{ tS: durationS, values: to }
				];
	return { keys, ends: 'natural', angles: 'asGiven' };
}

export const toPose = (
	from: AxisValues,
	to: AxisValues,
	limits: Readonly<Record<string, MotionLimit>>,
	wantedS?: number
): Way => ({
	kind: 'pose',
	from,
	to,
	durationS: transition({ from, to, limits, ...(wantedS === undefined ? {} : { wantedS }) }).durationS
});

/** Its time runs from 0 at the first key, whenever that was. */
export function throughKeys(keys: readonly MoveKey[], ends: SplineEnd): Extract<Way, { kind: 'keyed' }> {
	const move = { keys, ends, angles: 'asGiven' } as const;
	const path = readMove('throughKeys', move);
	return { kind: 'keyed', path, move, durationS: path.durationS - path.startsS };
}

/** Where every axis is on it, how fast its path goes there, and how hard it turns; of path time. */
export function wayAt(
	way: Way,
	s: number
): { readonly values: AxisValues; readonly rates: AxisValues; readonly accels: AxisValues } {
	const [values, rates, accels]: Record<string, number>[] = [{}, {}, {}];
	if (way.kind === 'pose') {
		const part = way.durationS === 0 ? 1 : Math.min(1, Math.max(0, s / way.durationS));
		const [v, a] =
			way.durationS === 0
				? [0, 0]
				: [minimumJerkRate(part) / way.durationS, minimumJerkAccel(part) / way.durationS ** 2];
		for (const [axis, from] of Object.entries(way.from)) {
			const d = way.to[axis]! - from;
			values![axis] = from + d * minimumJerk(part);
			rates![axis] = d * v;
			accels![axis] = d * a;
		}
	} else {
		const t = Math.min(way.durationS, Math.max(0, s)) + way.path.startsS;
		for (const axis of way.path.axes) {
			const [value, rate] = along(way.path, axis, t);
			values![axis] = value;
			rates![axis] = rate;
			accels![axis] = accelAlong(way.path, axis, t);
		}
	}
	return { values: values!, rates: rates!, accels: accels! };
}

/** How a way is run: where on it, at what pace of its own speed, and which way. */
export interface Going {
	readonly s: number;
	readonly pace: number;
	readonly direction: 1 | -1;
}
/** The pace is stepped no coarser, s. */
const stepS = 0.004;

/**
 * So much later on the way: its pace goes towards the wanted one as fast as every axis's acceleration allows, so that it slows and
 * turns back on the way itself. It stops at either end.
 */
export function goOn(
	way: Way,
	going: Going,
	wanted: { readonly pace: number; readonly direction: 1 | -1 },
	dtS: number,
	limits: Readonly<Record<string, { readonly maxAccel: number }>>
): Going {
	let { s, pace, direction } = going;
	for (let goneS = 0; goneS < dtS - 1e-9; goneS += stepS) {
		const h = Math.min(stepS, dtS - goneS);
		// To turn back it comes to rest first.
		if (pace === 0) direction = wanted.direction;
		const target = direction === wanted.direction ? wanted.pace : 0;
		const { rates, accels } = wayAt(way, s);
		const toward = Object.fromEntries(Object.entries(rates).map(([axis, rate]) => [axis, rate * direction]));
		const { brake, rise } = paceBrake({ rates: toward, accels, pace, limits });
		const next = Math.min(1, Math.max(0, Math.max(pace + brake * h, Math.min(pace + rise * h, target))));
		const at = s + (direction * h * (pace + next)) / 2;
		pace = next;
		s = Math.min(way.durationS, Math.max(0, at));
		if (at <= 0 && direction === -1) pace = 0;
		if (at >= way.durationS && direction === 1) pace = 0;
	}
	return { s, pace, direction };
}
