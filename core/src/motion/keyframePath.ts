import { checksFor } from '../input';
import { atOfPiece, type CubicPiece, turnsOfPiece } from '../numeric/spline';
import { along, type KeyedMove, type PathPieces, readMove } from './pathPieces';

/** The fastest and hardest of an axis, and when. */
export interface AxisPeaks {
	readonly rate: number;
	readonly rateAtS: number;
	readonly accel: number;
	readonly accelAtS: number;
}

/** The least and the greatest of an axis, between its keys too, and when. */
export interface AxisExtent {
	readonly low: number;
	readonly lowAtS: number;
	readonly high: number;
	readonly highAtS: number;
}

const mostTimes = 200_000;

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
 * A move through keys: one cubic spline an axis, twice differentiable between stops; once, where the keys tell their rates.
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
 * A move through keys read once, for whoever asks it many things: values and rates at times, true peaks and extents, and how much longer it has to
 * last. Each answer is that of {@link keyframePath} and {@link fitDurations}; throws as they do.
 *
 * @example
 * readPath({ keys: [{ tS: 0, values: { trackM: 0 } }, { tS: 4, values: { trackM: 1 } }], ends: 'natural', angles: 'asGiven' }).at([1]).values.trackM[0]; // 0.25
 */
export function readPath(move: KeyedMove): {
	readonly durationS: number;
	readonly peaks: Readonly<Record<string, AxisPeaks>>;
	readonly extents: Readonly<Record<string, AxisExtent>>;
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
		extents: Object.fromEntries(path.axes.map((axis) => [axis, extentOf(path, axis)])),
		at: (atS) => readAt('readPath', path, atS),
		fit: (limits) => fitOf('readPath', path, limits)
	};
}

function extentOf({ pieces, first, startsS }: PathPieces, axis: string): AxisExtent {
	const begin = first[axis]!;
	let [low, lowAtS, high, highAtS] = [begin, startsS, begin, startsS];
	for (const piece of pieces[axis]!)
		for (const s of turnsOfPiece(piece)) {
			const value = atOfPiece(piece, s);
			if (value < low) [low, lowAtS] = [value, piece.x0 + s];
			if (value > high) [high, highAtS] = [value, piece.x0 + s];
		}
	return { low, lowAtS, high, highAtS };
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
