import { type Figures, fitOf, ringsOf } from './figures';
import { stretched } from './knots';
import { most } from './limits';
import type { Knot, Move } from './model';
import { runOf, runs } from './path';

/** Longer everywhere, so that every axis keeps its limits. */
export function madePossible(move: Move, { scale }: Pick<Figures, 'scale'>): Move {
	return scale <= 1 ? move : stretched(move, scale * (1 + 1e-6));
}

/** Only the legs that fail, each as much as it needs. Null: that does not do. */
export function madePossibleByLegs(move: Move): Move | null {
	let now = move;
	for (let round = 0; round < 120; round += 1) {
		const run = runOf(now);
		if (!runs(run)) return null;
		const { scale, atS } = fitOf(now, run, ringsOf(now, run));
		if (scale <= 1 + 1e-9) return now;
		if (atS === null || now.knots.length > most.knots) return null;
		now = stretched(now, Math.min(1.4, Math.max(1.005, scale)), legAt(now.knots, atS));
	}
	return null;
}

/** The leg that goes at a time: the number of its first knot. */
function legAt(knots: readonly Knot[], tS: number): number {
	const after = knots.findIndex((knot) => knot.tS + knot.dwellS > tS - 1e-9);
	return Math.min(knots.length - 2, Math.max(0, after <= 0 ? 0 : after - 1));
}
/** Between which two knots, in words. */
export function legWords({ knots }: Pick<Move, 'knots'>, tS: number): string {
	if (knots.length < 2) return '';
	const leg = legAt(knots, tS);
	return `between ${knots[leg]!.name} and ${knots[leg + 1]!.name}`;
}
