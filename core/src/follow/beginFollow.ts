import { Matrix, solve } from 'ml-matrix';
import type { TimedTurn } from './timedTurn';
import { followOf } from './followPosterior';
import { turnTimes } from './turnTimes';

/** A thumb's error, s, and what smoothing is before anybody timed it: within a factor of about three of this. */
const thumbS = 0.05;
const usualSmoothS = 0.09;
const smoothSpread = 1.1;

type Three = readonly [number, number, number];

/** Where the search begins: the three logarithms that fit best without dead band and limits: follow rate at either end, smoothing. */
export function beginFollow(tests: readonly TimedTurn[], least: number, greatest: number): Three {
	const missed = ([low, high, smooth]: Three): number[] => [
		...tests.flatMap(({ setting, halfS, endS }) => {
			const share = (setting - least) / (greatest - least);
			const told = turnTimes(followOf('log', low, high, share), Math.exp(smooth));
			return [(told.halfS - halfS) / thumbS, (told.endS - endS) / thumbS];
		}),
		(smooth - Math.log(usualSmoothS)) / smoothSpread
	];
	const square = (list: readonly number[]) => list.reduce((sum, each) => sum + each * each, 0);
	const slopes = (at: Three, now: readonly number[]) => {
		const step = 1e-4;
		const columns = [0, 1, 2].map((k) => {
			const moved = at.map((value, each) => (each === k ? value + step : value)) as unknown as Three;
			return missed(moved).map((value, row) => (value - now[row]!) / step);
		});
		return new Matrix(columns).transpose();
	};
	const guess = (setting: number) => {
		const here = tests.filter((test) => test.setting === setting);
		const endS = here.reduce((sum, test) => sum + test.endS, 0) / here.length;
		return Math.log(3.9 / endS);
	};

	let best: { at: Three; cost: number } | null = null;
	// Ringing and not ringing give alike times: either side is tried.
	for (const smoothS of [0.03, 0.09, 0.3]) {
		let at: Three = [guess(least), guess(greatest), Math.log(smoothS)];
		let now = missed(at);
		let cost = square(now);
		let shrink = 1e-3;
		for (let round = 0; round < 60 && shrink < 1e8; round += 1) {
			const slope = slopes(at, now);
			const normal = slope.transpose().mmul(slope);
			for (let k = 0; k < 3; k += 1) normal.set(k, k, normal.get(k, k) * (1 + shrink) + 1e-12);
			const move = solve(normal, slope.transpose().mmul(Matrix.columnVector(now)));
			const next = at.map((value, k) => Math.max(-7, Math.min(5, value - move.get(k, 0)))) as unknown as Three;
			const there = missed(next);
			const costThere = square(there);
			if (costThere < cost) {
				const gained = cost - costThere;
				[at, now, cost] = [next, there, costThere];
				shrink /= 4;
				if (gained < 1e-9 * (1 + cost)) break;
			} else shrink *= 6;
		}
		if (best === null || cost < best.cost) best = { at, cost };
	}
	return best!.at;
}
