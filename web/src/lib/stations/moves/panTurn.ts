import type { Move } from './model';
import { pictureSign } from './supports/stance';

/** So much of its travel stays free at either end of a way that a turned base makes room for, rad. */
const spareRad = 0.02;

/**
 * By how much the head's base is to be turned, to the left as seen from above, so that all of the way lies inside pan's travel: the least that
 * does; null: no base does, the way turns further than the travel is wide. Whole turns have been tried by then (`turnsThatFit`).
 */
export function baseTurnThatFits(
	move: Pick<Move, 'head' | 'support'>,
	{ low, high }: { readonly low: number; readonly high: number }
): number | null {
	const [least, most] = move.head.figures.pan.range;
	if (high - low > most - least - 2 * spareRad) return null;
	const round = 2 * Math.PI;
	// Pan is to lose so much; any whole turn of it will do.
	const between = [high - most + spareRad, low - least - spareRad] as const;
	const all = [-2, -1, 0, 1, 2].map((k) => {
		const [from, to] = [between[0] + k * round, between[1] + k * round];
		return from <= 0 && to >= 0 ? 0 : Math.abs(from) < Math.abs(to) ? from : to;
	});
	const fewest = all.reduce((best, each) => (Math.abs(each) < Math.abs(best) ? each : best));
	return fewest * pictureSign(move.support);
}

/** Whole turns, in radians, after which a way that looks the same stays inside the travel, or as little past it as can be: as few as will do. */
export function turnsThatFit([low, high]: readonly [number, number], [least, most]: readonly [number, number]): number {
	const round = 2 * Math.PI;
	const past = (by: number) => Math.max(0, least - low - by, high + by - most);
	const middle = Math.round(((least + most) / 2 - (low + high) / 2) / round) * round;
	return [0, middle, middle - round, middle + round].reduce((best, by) =>
		past(by) < past(best) - 1e-9 || (past(by) < past(best) + 1e-9 && Math.abs(by) < Math.abs(best)) ? by : best
	);
}
