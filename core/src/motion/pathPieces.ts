import { checksFor } from '../input';
import { type CubicPiece, cubicPiece, type SplineEnd, splinePieces } from '../numeric/spline';
import { shortWay } from './attitude';

/** Where every axis is at one time; it stays there for `dwellS`. */
export interface MoveKey {
	/** Arrival. */
	readonly tS: number;
	readonly dwellS?: number;
	/** By axis: metres, radians. Every key has the same axes. */
	readonly values: Readonly<Record<string, number>>;
	/** How fast every axis goes there, a second, as it arrives; told of every key or of none. Told, each leg is the one cubic that has them, and `ends` counts for nothing. */
	readonly rates?: Readonly<Record<string, number>>;
	/** Beside `rates`, of a key with a dwell: how fast it is left; none: from rest. */
	readonly leaves?: Readonly<Record<string, number>>;
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
	/** Where an axis stands alike at two keys in a row, it swings past them between, or stays, still at both; none: swings. */
	readonly alike?: 'swings' | 'stays';
}

const mostKeys = 500;
const mostAxes = 16;

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
	const { ends, angles = 'shortWay', alike = 'swings' } = move;
	const check = checksFor(call);
	const keys = check.list('keys', move.keys);
	if (angles !== 'shortWay' && angles !== 'asGiven') check.fail('angles', 'must be shortWay or asGiven', angles);
	if (keys.length > mostKeys) check.fail('keys', `must be at most ${mostKeys}`, keys.length);
	if (alike !== 'swings' && alike !== 'stays') check.fail('alike', 'must be swings or stays', alike);
	if (ends !== 'natural' && ends !== 'still') return check.fail('ends', 'must be natural or still', ends);
	const axes = Object.keys(keys[0]!.values ?? {});
	const hasRates = keys[0]!.rates !== undefined;
	if (axes.length === 0 || axes.length > mostAxes)
		check.fail('keys[0].values', `must hold 1 to ${mostAxes} axes`, axes.length);
	keys.forEach(({ tS, dwellS = 0, values, rates, leaves }, k) => {
		check.number(`keys[${k}].tS`, tS);
		check.atLeastZero(`keys[${k}].dwellS`, dwellS);
		if (Object.keys(values ?? {}).length !== axes.length)
			check.fail(`keys[${k}].values`, 'must hold the same axes as the first key', Object.keys(values ?? {}).join(', '));
		for (const axis of axes) check.number(`keys[${k}].values.${axis}`, values[axis]);
		if ((rates !== undefined) !== hasRates)
			check.fail(`keys[${k}].rates`, 'must be told of every key or of none', rates);
		for (const [name, told] of Object.entries({ rates, leaves }))
			if (told !== undefined) for (const axis of axes) check.number(`keys[${k}].${name}.${axis}`, told[axis]);
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
		pieces[axis] = hasRates ? ratedPieces(keys, axis, values) : splined(values, ends);
	}
	const end = keys[keys.length - 1]!;
	return { durationS: end.tS + (end.dwellS ?? 0), startsS: keys[0]!.tS, axes, pieces, first, last };

	function splined(values: readonly number[], atEnds: SplineEnd): CubicPiece[] {
		const stays = (k: number) => alike === 'stays' && values[k] !== undefined && values[k] === values[k + 1];
		const still = (k: number): SplineEnd => ((keys[k]!.dwellS ?? 0) > 0 || stays(k) || stays(k - 1) ? 'still' : atEnds);
		const halts = values.flatMap((_, k) => (stops.includes(k) || stays(k) || stays(k - 1) ? [k] : []));
		return halts.slice(0, -1).flatMap((from, s) => {
			const to = halts[s + 1]!;
			// A run leaves its first key when that key's dwell is over.
			const times = keys.slice(from, to + 1).map(({ tS, dwellS = 0 }, k) => (k === 0 ? tS + dwellS : tS));
			return splinePieces(times, values.slice(from, to + 1), [still(from), still(to)]);
		});
	}
}
/** From key to key the one cubic with the places and the rates told. */
function ratedPieces(keys: readonly MoveKey[], axis: string, values: readonly number[]): CubicPiece[] {
	return keys.slice(0, -1).map(({ tS, dwellS = 0, rates, leaves }, k) => {
		const next = keys[k + 1]!;
		const x0 = tS + dwellS;
		const b = dwellS > 0 ? (leaves?.[axis] ?? 0) : rates![axis]!;
		return cubicPiece(x0, next.tS - x0, [values[k]!, values[k + 1]!], [b, next.rates![axis]!]);
	});
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
