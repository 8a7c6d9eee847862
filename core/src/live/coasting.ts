import { checksFor } from '../input';
import type { KeyedMove } from '../motion/pathPieces';
import type { CubicPiece } from '../numeric/spline';
import { releaseTravel } from './coast';
import { type AxisValues } from './transition';
import { checkAxes, extentOf, extentOfPiece, keyedOf, type Way, wayAt, type WayAxis } from './way';
import { minimumJerk, minimumJerkRate } from '../motion/minimumJerk';

/** Over a stretch of a move's time: how far beside it each axis may come to rest. */
export interface Stray {
	readonly fromS: number;
	readonly toS: number;
	readonly by: AxisValues;
}
/** How finely a way to a pose is cut: its speed, and with it what it coasts, changes all along. An even number: its fastest is between two. */
const parts = 12;
/** What carries the rest goes first: where it stands beside its way counts most. */
const carriers = ['trackM', 'swingRad', 'boomRad', 'extensionM'];

/**
 * Where a head may come to be that is led along a way and loses its link anywhere on it: a keyed move that goes as far past the way's end as
 * it may coast, and how far beside that every axis may come to rest, over stretches that cover all of its time. For `moveClearance`
 * (`strays`): what is proven of both holds whenever the link goes.
 *
 * Its link gone, a head goes on along its way for `delayS`, and then stops within `releaseTravel`, axis by axis; none passes its soft end. On
 * the straight way to a pose axis i brakes over at most `b_i`; seen from the place
 * on the line that the axis r which carries the rest has come to, it is off by at most `b_i`, which goes with `d_i`, and r by nothing. One axis alone
 * stays on its own line, through keys too. Through keys with several axes, which turn, each is off by all that it travels. Speeds are those of
 * the way at its own pace: what a stick adds is not in it. Throws `PhysicsInputError` as {@link releaseTravel} does.
 *
 * @example
 * withCoasting({ way: toPose({ trackM: 0 }, { trackM: 1 }, { trackM: { maxRate: 1, maxAccel: 0.5 } }), axes: { trackM: { range: [0, 1.1], maxRate: 1, maxAccel: 0.5 } } }).move.keys[1].values.trackM.toFixed(2); // '1.10'
 */
export function withCoasting(input: {
	readonly way: Way;
	readonly axes: Readonly<Record<string, WayAxis>>;
	readonly delayS?: number;
}): {
	readonly move: KeyedMove;
	readonly strays: readonly Stray[];
	/** Where the way itself ends. */
	readonly endsAt: AxisValues;
} {
	const { way, axes, delayS = 0.2 } = input;
	const check = checksFor('withCoasting');
	check.atLeastZero('way.durationS', way?.durationS);
	checkAxes('withCoasting', axes);
	check.atLeastZero('delayS', delayS);
	const travel: Travel = (rates, lateS) =>
		Object.fromEntries(
			Object.entries(releaseTravel({ rates, limits: axes })).map(([axis, brake]) => [
				axis,
				brake + Math.abs(rates[axis]!) * lateS
			])
		);
	const found = way.kind === 'pose' ? ofPose(way, axes, travel, delayS) : ofKeys(way, axes, travel, delayS);
	return { ...found, endsAt: wayAt(way, way.durationS).values };
}
type Travel = (rates: AxisValues, delayS: number) => AxisValues;
type Coasting = Omit<ReturnType<typeof withCoasting>, 'endsAt'>;

function ofPose(
	way: Extract<Way, { kind: 'pose' }>,
	axes: Readonly<Record<string, WayAxis>>,
	travel: Travel,
	delayS: number
): Coasting {
	const { from, to, durationS } = way;
	const goes = Object.fromEntries(
		Object.keys(to).flatMap((axis) => (to[axis] === from[axis] ? [] : [[axis, Math.abs(to[axis]! - from[axis]!)]]))
	);
	const moving = Object.keys(goes);
	if (durationS === 0 || moving.length === 0)
		return { move: keyedOf(way), strays: [{ fromS: 0, toS: durationS, by: {} }] };
	const brakesBy = (speed: number) => travel(Object.fromEntries(moving.map((axis) => [axis, goes[axis]! * speed])), 0);
	const carrying = moving.filter((axis) => carriers.includes(axis));
	const fastest = brakesBy(minimumJerkRate(0.5) / durationS);
	const first = (carrying.length > 0 ? carrying : moving).reduce((one, axis) =>
		fastest[axis]! > fastest[one]! ? axis : one
	);
	let past = 0;
	const strays = Array.from({ length: parts }, (_, k): Stray => {
		const [s0, s1] = [k / parts, (k + 1) / parts];
		const speed = Math.max(minimumJerkRate(s0), minimumJerkRate(s1)) / durationS;
		const brakes = brakesBy(speed);
		past = Math.max(past, minimumJerk(s1) + speed * delayS + brakes[first]! / goes[first]! - 1);
		const by = moving.flatMap((axis) => (axis === first ? [] : [[axis, brakes[axis]!] as const]));
		return { fromS: s0 * durationS, toS: s1 * durationS, by: Object.fromEntries(by) };
	});
	// No further than its soft end; an axis found beyond one only goes back.
	const [least, most] = axes[first]!.range;
	const room = to[first]! > from[first]! ? most - to[first]! : to[first]! - least;
	past = Math.min(past, Math.max(0, room) / goes[first]!);
	if (past === 0) return { move: keyedOf(way), strays };
	const beyond = Object.fromEntries(
		Object.keys(to).map((axis) => [axis, to[axis]! + past * (to[axis]! - from[axis]!)])
	);
	const endS = durationS * (1 + past);
	const widest = Object.fromEntries(
		moving.flatMap((axis) => (axis === first ? [] : [[axis, Math.max(...strays.map(({ by }) => by[axis]!))]]))
	);
	return {
		move: {
			keys: [
				{ tS: 0, values: from },
				{ tS: endS, values: beyond }
			],
			ends: 'natural',
			angles: 'asGiven'
		},
		strays: [...strays, { fromS: durationS, toS: endS, by: widest }]
	};
}

function ofKeys(
	{ path, move, durationS }: Extract<Way, { kind: 'keyed' }>,
	axes: Readonly<Record<string, WayAxis>>,
	travel: Travel,
	delayS: number
): Coasting {
	const { pieces, startsS, first } = path;
	const endS = startsS + durationS;
	const moving = path.axes.filter((axis) => pieces[axis]!.some(({ b, c, d }) => b !== 0 || c !== 0 || d !== 0));
	const goes = (of: readonly (readonly [string, CubicPiece])[]) =>
		of.length === 0 ? {} : travel(Object.fromEntries(of.map(([axis, piece]) => [axis, fastestOf(piece)])), delayS);
	const alone = moving[0];
	if (alone === undefined) return { move, strays: [{ fromS: startsS, toS: endS, by: {} }] };
	if (moving.length === 1) {
		const [low, high] = pieces[alone]!.reduce(
			([least, most], piece) => {
				const [from, to] = extentOfPiece(piece);
				const further = goes([[alone, piece]])[alone]!;
				return [Math.min(least, from - further), Math.max(most, to + further)];
			},
			extentOf(path, alone)
		);
		// No further than its soft end, unless its way itself goes there.
		const [own, ends] = [extentOf(path, alone), axes[alone]!.range];
		const [least, most] = [Math.min(own[0], ends[0]), Math.max(own[1], ends[1])];
		const at = (value: number) => ({ ...first, [alone]: Math.min(most, Math.max(least, value)) });
		const keys = [
			{ tS: startsS, values: at(low) },
			{ tS: endS, values: at(high) }
		];
		return { move: { keys, ends: 'natural', angles: 'asGiven' }, strays: [{ fromS: startsS, toS: endS, by: {} }] };
	}
	const ends = moving.flatMap((axis) => pieces[axis]!.flatMap(({ x0, h }) => [x0, x0 + h]));
	const times = [...new Set([startsS, ...ends, endS])].sort((one, two) => one - two);
	const strays = times.slice(1).map((toS, k): Stray => {
		const fromS = times[k]!;
		const middleS = (fromS + toS) / 2;
		const here = moving.flatMap((axis) => {
			const piece = pieces[axis]!.find(({ x0, h }) => x0 <= middleS && middleS <= x0 + h);
			return piece === undefined ? [] : [[axis, piece] as const];
		});
		return { fromS, toS, by: goes(here) };
	});
	return { move, strays };
}
/** The fastest an axis gets over a piece: at its ends, or where its acceleration is 0. */
function fastestOf({ h, b, c, d }: CubicPiece): number {
	const turning = d === 0 ? -1 : -c / (3 * d);
	const at = [0, h, ...(turning > 0 && turning < h ? [turning] : [])];
	return Math.max(...at.map((s) => Math.abs(b + s * (2 * c + 3 * s * d))));
}
