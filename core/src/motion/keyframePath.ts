import { checksFor } from '../input';
import { type CubicPiece, type SplineEnd, splinePieces } from '../numeric/spline';
import { shortWay } from './attitude';

/** Where every axis is at one time; it stays there for `dwellS`. */
export interface MoveKey {
	/** Arrival. */
	readonly tS: number;
	readonly dwellS?: number;
	/** By axis: metres, radians. Every key has the same axes. */
	readonly values: Readonly<Record<string, number>>;
}

export interface KeyedMove {
	readonly keys: readonly MoveKey[];
	/** At the two ends of the whole path: no acceleration, or no speed. Both sides of every dwell are still. */
	readonly ends: SplineEnd;
	/**
	 * As the values say, or by no more than half a turn from key to key (names ending in `Rad`); exactly half a turn goes the way the values
	 * say. Always told: what is proven must be what is driven.
	 */
	readonly angles: 'shortWay' | 'asGiven';
}

/** The fastest and hardest of an axis, and when. */
export interface AxisPeaks {
	readonly rate: number;
	readonly rateAtS: number;
	readonly accel: number;
	readonly accelAtS: number;
}

const mostKeys = 500;
const mostAxes = 16;
const mostTimes = 200_000;

/** The pieces of every axis over the same times; between them the axes hold. */
export interface PathPieces {
	readonly durationS: number;
	readonly startsS: number;
	readonly axes: readonly string[];
	readonly pieces: Readonly<Record<string, readonly CubicPiece[]>>;
	readonly first: Readonly<Record<string, number>>;
	readonly last: Readonly<Record<string, number>>;
}

/**
 * A move's keys as cubic pieces. Throws `PhysicsInputError` in the name of `call`. Data from elsewhere that does not say how angles go turns
 * the short way; where something is proven it has to say (`moveClearance`).
 */
export function readMove(call: string, move: Partial<KeyedMove>): PathPieces {
	const { ends, angles = 'shortWay' } = move;
	const check = checksFor(call);
	const keys = check.list('keys', move.keys);
	if (angles !== 'shortWay' && angles !== 'asGiven') check.fail('angles', 'must be shortWay or asGiven', angles);
	if (keys.length > mostKeys) check.fail('keys', `must be at most ${mostKeys}`, keys.length);
	if (ends !== 'natural' && ends !== 'still') return check.fail('ends', 'must be natural or still', ends);
	const axes = Object.keys(keys[0]!.values ?? {});
	if (axes.length === 0 || axes.length > mostAxes)
		check.fail('keys[0].values', `must hold 1 to ${mostAxes} axes`, axes.length);
	keys.forEach(({ tS, dwellS = 0, values }, k) => {
		check.number(`keys[${k}].tS`, tS);
		check.atLeastZero(`keys[${k}].dwellS`, dwellS);
		if (Object.keys(values ?? {}).length !== axes.length)
			check.fail(`keys[${k}].values`, 'must hold the same axes as the first key', Object.keys(values ?? {}).join(', '));
		for (const axis of axes) check.number(`keys[${k}].values.${axis}`, values[axis]);
		const before = keys[k - 1];
		if (before !== undefined && !(tS > before.tS + (before.dwellS ?? 0)))
			check.fail(`keys[${k}].tS`, 'must come after the key before it and its dwell', tS);
	});

	/** From stop to stop: runs of keys between dwells. */
	const stops = keys.flatMap(({ dwellS = 0 }, k) => (k === 0 || k === keys.length - 1 || dwellS > 0 ? [k] : []));
	const pieces: Record<string, CubicPiece[]> = {};
	const [first, last]: [Record<string, number>, Record<string, number>] = [{}, {}];
	for (const axis of axes) {
		const turns = angles === 'shortWay' && axis.endsWith('Rad');
		const values = keys.map((key) => key.values[axis]!);
		if (turns)
			for (let k = 1; k < values.length; k += 1) values[k] = values[k - 1]! + shortWay(values[k - 1]!, values[k]!);
		first[axis] = values[0]!;
		last[axis] = values[values.length - 1]!;
		pieces[axis] = stops.slice(0, -1).flatMap((from, s) => {
			const to = stops[s + 1]!;
			const run = keys.slice(from, to + 1);
			// A run leaves its first key when that key's dwell is over.
			const times = run.map(({ tS, dwellS = 0 }, k) => (k === 0 ? tS + dwellS : tS));
			const still = (key: MoveKey): SplineEnd => ((key.dwellS ?? 0) > 0 ? 'still' : ends);
			return splinePieces(times, values.slice(from, to + 1), [still(run[0]!), still(run[run.length - 1]!)]);
		});
	}
	const end = keys[keys.length - 1]!;
	return { durationS: end.tS + (end.dwellS ?? 0), startsS: keys[0]!.tS, axes, pieces, first, last };
}

/** Value and rate of one axis at a time. */
export function along(
	{ pieces, first, last }: PathPieces,
	axis: string,
	tS: number
): readonly [value: number, rate: number] {
	const list = pieces[axis]!;
	let [low, high] = [0, list.length - 1];
	while (low < high) {
		const middle = (low + high + 1) >> 1;
		if (list[middle]!.x0 <= tS) low = middle;
		else high = middle - 1;
	}
	const piece = list[low];
	if (piece === undefined) return [first[axis]!, 0];
	const s = tS - piece.x0;
	if (s < 0) return [first[axis]!, 0];
	// Beyond the piece the axis holds, until the next one begins or for good. Its very end still moves as it ends.
	if (s > piece.h * (1 + 1e-12)) return low === list.length - 1 ? [last[axis]!, 0] : [list[low + 1]!.y0, 0];
	const { y0, b, c, d } = piece;
	return [y0 + s * (b + s * (c + s * d)), b + s * (2 * c + 3 * s * d)];
}

/** How hard an axis turns there: the second derivative of its piece, 0 where it holds. */
export function accelAlong({ pieces }: PathPieces, axis: string, tS: number): number {
	const piece = pieces[axis]!.find(({ x0, h }) => tS >= x0 && tS <= x0 + h);
	return piece === undefined ? 0 : 2 * piece.c + 6 * (tS - piece.x0) * piece.d;
}

/** The true peaks of one axis: speed where acceleration is 0 or at the ends of a piece, acceleration at the ends of a piece. */
function peaksOf(pieces: readonly CubicPiece[]): AxisPeaks {
	let [rate, rateAtS, accel, accelAtS] = [0, pieces[0]?.x0 ?? 0, 0, pieces[0]?.x0 ?? 0];
	for (const { x0, h, b, c, d } of pieces) {
		const turning = d === 0 ? -1 : -c / (3 * d);
		for (const s of [0, h, ...(turning > 0 && turning < h ? [turning] : [])]) {
			const speed = Math.abs(b + s * (2 * c + 3 * s * d));
			if (speed > rate) [rate, rateAtS] = [speed, x0 + s];
		}
		for (const s of [0, h]) {
			const hard = Math.abs(2 * c + 6 * s * d);
			if (hard > accel) [accel, accelAtS] = [hard, x0 + s];
		}
	}
	return { rate, rateAtS, accel, accelAtS };
}

/**
 * A move through keys: one cubic spline an axis, twice differentiable between stops.
 *
 * Values and rates by axis at the times asked for, held before the first key and after the last; `tS` of a key is its
 * arrival, and it holds until `tS + dwellS`. With no key between two stops every axis goes by the same law of time, so the leg is
 * straight. `peaks` are true ones, between the keys too. Throws `PhysicsInputError` for keys out of order, axes that differ
 * from key to key, or figures that are not finite.
 *
 * @example
 * keyframePath({ keys: [{ tS: 0, values: { trackM: 0 } }, { tS: 4, values: { trackM: 1 } }], ends: 'natural', angles: 'asGiven', atS: [1] }).values.trackM[0]; // 0.25
 */
export function keyframePath(input: KeyedMove & { readonly atS: readonly number[] }): {
	readonly durationS: number;
	readonly values: Readonly<Record<string, number[]>>;
	readonly rates: Readonly<Record<string, number[]>>;
	readonly peaks: Readonly<Record<string, AxisPeaks>>;
} {
	const path = readMove('keyframePath', input);
	return { durationS: path.durationS, ...readAt('keyframePath', path, input.atS), peaks: peaksAll(path) };
}

function readAt(call: string, path: PathPieces, atS: readonly number[]) {
	const check = checksFor(call);
	if (!Array.isArray(atS)) check.fail('atS', 'must be a list of times', atS);
	if (atS.length > mostTimes) check.fail('atS', `must be at most ${mostTimes}`, atS.length);
	atS.forEach((time, k) => check.number(`atS[${k}]`, time));
	const [values, rates]: [Record<string, number[]>, Record<string, number[]>] = [{}, {}];
	for (const axis of path.axes) {
		const read = atS.map((time) => along(path, axis, time));
		values[axis] = read.map(([value]) => value);
		rates[axis] = read.map(([, rate]) => rate);
	}
	return { values, rates };
}
const peaksAll = (path: PathPieces): Record<string, AxisPeaks> =>
	Object.fromEntries(path.axes.map((axis) => [axis, peaksOf(path.pieces[axis]!)]));

/**
 * A move through keys read once, for whoever asks it many things: values and rates at times, true peaks, and how much longer it has to
 * last. Each answer is that of {@link keyframePath} and {@link fitDurations}; throws as they do.
 *
 * @example
 * readPath({ keys: [{ tS: 0, values: { trackM: 0 } }, { tS: 4, values: { trackM: 1 } }], ends: 'natural', angles: 'asGiven' }).at([1]).values.trackM[0]; // 0.25
 */
export function readPath(move: KeyedMove): {
	readonly durationS: number;
	readonly peaks: Readonly<Record<string, AxisPeaks>>;
	readonly at: (atS: readonly number[]) => {
		readonly values: Readonly<Record<string, number[]>>;
		readonly rates: Readonly<Record<string, number[]>>;
	};
	readonly fit: (limits: Readonly<Record<string, AxisLimit>>) => ReturnType<typeof fitDurations>;
} {
	const path = readMove('readPath', move);
	return {
		durationS: path.durationS,
		peaks: peaksAll(path),
		at: (atS) => readAt('readPath', path, atS),
		fit: (limits) => fitOf('readPath', path, limits)
	};
}

/** What an axis can do. */
export interface AxisLimit {
	readonly maxRate: number;
	readonly maxAccel: number;
}

/**
 * By how much the times of a move are to be stretched so that every axis keeps its limits at its true peaks; below 1 it may be
 * quicker. Speed goes with the stretch, acceleration with its square; dwells do not scale. An axis without limits does not bind; with nothing
 * that moves the scale is 0 and nothing binds. Throws `PhysicsInputError` for limits not above 0, and as {@link keyframePath} does.
 *
 * @example
 * fitDurations({ keys: [{ tS: 0, values: { trackM: 0 } }, { tS: 4, values: { trackM: 1 } }], ends: 'natural', angles: 'asGiven', limits: { trackM: { maxRate: 0.5, maxAccel: 1 } } }).scale; // 0.5
 */
export function fitDurations(input: KeyedMove & { readonly limits: Readonly<Record<string, AxisLimit>> }): {
	readonly scale: number;
	readonly bindingAxis: string | null;
	readonly bindingLimit: 'speed' | 'acceleration' | null;
	/** Where it binds, in the times as given. */
	readonly bindingAtS: number | null;
} {
	return fitOf('fitDurations', readMove('fitDurations', input), input.limits);
}

function fitOf(
	call: string,
	path: PathPieces,
	limits: Readonly<Record<string, AxisLimit>>
): ReturnType<typeof fitDurations> {
	const check = checksFor(call);
	if (typeof limits !== 'object' || limits === null) check.fail('limits', 'must be limits by axis', limits);
	let found: ReturnType<typeof fitDurations> = { scale: 0, bindingAxis: null, bindingLimit: null, bindingAtS: null };
	for (const axis of path.axes) {
		const limit = limits[axis];
		if (limit === undefined) continue;
		const maxRate = check.positive(`limits.${axis}.maxRate`, limit.maxRate);
		const maxAccel = check.positive(`limits.${axis}.maxAccel`, limit.maxAccel);
		const { rate, rateAtS, accel, accelAtS } = peaksOf(path.pieces[axis]!);
		const [bySpeed, byAccel] = [rate / maxRate, Math.sqrt(accel / maxAccel)];
		if (bySpeed > found.scale)
			found = { scale: bySpeed, bindingAxis: axis, bindingLimit: 'speed', bindingAtS: rateAtS };
		if (byAccel > found.scale)
			found = { scale: byAccel, bindingAxis: axis, bindingLimit: 'acceleration', bindingAtS: accelAtS };
	}
	return found;
}
