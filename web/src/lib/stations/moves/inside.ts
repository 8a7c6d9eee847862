import { type Beyond, beyondOf, limitsOf } from './figures';
import { changedKnot, putAt } from './knots';
import { most } from './limits';
import type { Axis, Knot, Move } from './model';
import { axesOf, runOf, runs } from './path';

/** Tried first: one to so many knots where the curve is furthest past, short of the end by so much of the travel. */
const few = 3;
const shortShares = [0, 0.01, 0.04] as const;

/** Axes that go as the knots say: a spline through them may swing past an end that no knot is past. */
export function swings(move: Move, axis: Axis): boolean {
	const motors = move.head.kind === 'motors' || move.head.kind === 'gimbal';
	const turns = (axis === 'panRad' || axis === 'tiltRad') && motors && move.aim === 'knots';
	return turns || axis === 'rollRad' || (axesOf(move) as readonly Axis[]).includes(axis);
}
const insideRange = (value: number, [least, greatest]: readonly [number, number]) =>
	Math.min(greatest, Math.max(least, value));

interface Inside {
	readonly move: Move;
	readonly knotIds: readonly string[];
}

/**
 * Every knot is inside its travel and the curve between them is not: the move with knots more that keep all of it inside. First few of them,
 * at the end of the travel where the curve is furthest past it; where those do not do, an axis stays at the knot beside until half way of the
 * leg, which leaves no leg that can swing. Null: a knot itself is beyond, or there is no time or no knot left.
 */
export function keptInside(move: Move): Inside | null {
	const ranges = limitsOf(move);
	const within = ({ values }: Knot) =>
		Object.entries(ranges).every(([name, { range }]) => {
			const value = values[name as Axis] ?? 0;
			return !swings(move, name as Axis) || Math.abs(insideRange(value, range) - value) < 1e-9;
		});
	if (!move.knots.every(within)) return null;
	for (const short of shortShares) {
		const found = put(move, few, ({ value, range }) => {
			const [least, greatest] = range;
			return value > greatest ? greatest - short * (greatest - least) : least + short * (greatest - least);
		});
		if (found !== null) return found;
	}
	return put(move, most.knots - move.knots.length, 'stays');
}

function put(move: Move, atMost: number, held: 'stays' | ((past: Beyond) => number)): Inside | null {
	let now = move;
	const knotIds: string[] = [];
	for (;;) {
		const run = runOf(now);
		if (!runs(run)) return null;
		const all = beyondOf(now, run).filter(({ axis }) => swings(now, axis));
		const past = all[0];
		if (past === undefined) return knotIds.length === 0 ? null : { move: now, knotIds };
		if (knotIds.length >= atMost) return null;
		const tS = held === 'stays' ? middleOfLeg(now.knots, past.atS) : past.atS;
		const next = putAt(now, run, tS);
		if (next === null) return null;
		const k = next.move.knots.findIndex(({ id }) => id === next.id);
		const knot = next.move.knots[k]!;
		const values = { ...knot.values, ...clamped(now, knot) };
		const beside = [next.move.knots[k - 1]!, next.move.knots[k + 1]!];
		// All that leave their travel on this leg.
		for (const each of pastOn(all, beside)) {
			const at = beside.map((one) => one.values[each.axis] ?? 0);
			const stays = (each.value > each.range[1] ? Math.max : Math.min)(...at);
			values[each.axis as keyof typeof values] = held === 'stays' ? stays : held(each);
		}
		now = changedKnot(next.move, next.id, { values });
		knotIds.push(next.id);
	}
}
const pastOn = (all: readonly Beyond[], [before, after]: readonly Knot[]) =>
	all.filter(({ atS }) => atS >= before!.tS && atS <= after!.tS);
const clamped = (move: Move, { values }: Knot): Partial<Knot['values']> =>
	Object.fromEntries(
		Object.entries(limitsOf(move))
			.filter(([name]) => swings(move, name as Axis) && values[name as Axis] !== undefined)
			.map(([name, { range }]) => [name, insideRange(values[name as Axis]!, range)])
	);
function middleOfLeg(knots: readonly Knot[], tS: number): number {
	const to = knots.findIndex((knot) => knot.tS >= tS);
	const [before, after] = [knots[to - 1], knots[to]];
	return before === undefined || after === undefined ? tS : (before.tS + before.dwellS + after.tS) / 2;
}
