import { checksFor } from '../input';
import type { CubicPiece } from '../numeric/spline';
import { along, type KeyedMove, type PathPieces, readMove } from './pathPieces';
import { type AxisName, axisNames } from './levers';
import type { MountAxes } from './mount';

/**
 * Keyed moves over the same times, each with axes of its own, as one: between the ends of a leg every axis goes by one cubic, or holds; an
 * axis that none names is not there. Legs end at the times to cut at, too. How angles go has to be told. Throws in the name of `call`.
 */
export function axisLaws(
	call: string,
	moves: readonly KeyedMove[],
	cutS: readonly number[]
): {
	readonly legsS: readonly (readonly [fromS: number, toS: number])[];
	readonly placesAt: (leg: number, tS: number) => Partial<MountAxes>;
	/** The fastest of an axis over a stretch of a leg. */
	readonly rateOf: (axis: AxisName, leg: number, fromS: number, toS: number) => number;
} {
	const check = checksFor(call);
	const axes = new Map<AxisName, PathPieces>();
	moves.forEach((move, k) => {
		if (move?.angles === undefined) check.fail(`moves[${k}].angles`, 'must be shortWay or asGiven', move?.angles);
		const path = readMove(call, move);
		for (const axis of path.axes as AxisName[]) {
			if (!axisNames.includes(axis)) continue;
			if (axes.has(axis)) check.fail('moves', 'must name an axis once', axis);
			axes.set(axis, path);
		}
	});
	const legsS = legsOf();
	/** By leg and axis: the cubic it goes by, or where it holds. */
	const laws = legsS.map((_, leg) =>
		Object.fromEntries([...axes].map(([axis, path]) => [axis, lawOf(axis, path, leg)]))
	);
	return { legsS, placesAt, rateOf };

	function legsOf(): (readonly [number, number])[] {
		const times = new Set<number>();
		for (const [axis, path] of axes) {
			times.add(path.startsS).add(path.durationS);
			for (const { x0, h } of path.pieces[axis]!) times.add(x0).add(x0 + h);
		}
		const [begins, ends] = [Math.min(...times), Math.max(...times)];
		for (const tS of cutS) if (tS > begins && tS < ends) times.add(tS);
		const sorted = [...times].sort((one, two) => one - two);
		// Two ends of pieces a rounding apart are one.
		const apart = sorted.filter((time, k) => k === 0 || time - sorted[k - 1]! > 1e-9);
		if (apart.length === 0) return [[0, 0]];
		return apart.length === 1 ? [[apart[0]!, apart[0]!]] : apart.slice(1).map((time, k) => [apart[k]!, time] as const);
	}
	function lawOf(axis: AxisName, path: PathPieces, leg: number): CubicPiece | number {
		const [fromS, toS] = legsS[leg]!;
		const middle = (fromS + toS) / 2;
		const piece = path.pieces[axis]!.find(({ x0, h }) => x0 <= middle && middle <= x0 + h);
		return piece ?? along(path, axis, middle)[0];
	}
	function placesAt(leg: number, tS: number): Partial<MountAxes> {
		const places: Partial<Record<AxisName, number>> = {};
		for (const axis of axes.keys()) {
			const piece = laws[leg]![axis];
			if (typeof piece === 'number') places[axis] = piece;
			else if (piece !== undefined) {
				const s = tS - piece.x0;
				places[axis] = piece.y0 + s * (piece.b + s * (piece.c + s * piece.d));
			}
		}
		return places;
	}
	/** Its speed is a parabola, which bulges by so much over its chord. */
	function rateOf(axis: AxisName, leg: number, fromS: number, toS: number): number {
		const piece = laws[leg]![axis];
		if (piece === undefined || typeof piece === 'number') return 0;
		const { x0, b, c, d } = piece;
		const speed = (tS: number) => Math.abs(b + (tS - x0) * (2 * c + 3 * (tS - x0) * d));
		return Math.max(speed(fromS), speed(toS)) + (Math.abs(6 * d) * (toS - fromS) ** 2) / 8;
	}
}
