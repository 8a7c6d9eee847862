import type { Move } from './model';
import { minimumJerk, minimumJerkRate } from '@poise/core';

/** How time goes over a stretch between two stops, by the shape of its speed. */
export interface Law {
	/** At a share of its time: the share of the way that is behind it, and how fast that grows; evenly is 1. */
	readonly at: (share: number) => readonly [way: number, rate: number];
	/** Where its acceleration jumps, beside its ends. */
	readonly corners: readonly number[];
}

/**
 * The speed's shape is how a stretch starts and ends. `smooth` and `even` leave the way as it is: its spline starts and ends at rest, or
 * with no acceleration. `soft` is the least jolt, `10τ³ − 15τ⁴ + 6τ⁵`, from stop to stop; `build` gains steadily to its very end; `ramps` gain and lose steadily,
 * longer ones than the stretch share it.
 */
export function lawOf(
	{ tempo, rampInS, rampOutS }: Pick<Move, 'tempo' | 'rampInS' | 'rampOutS'>,
	lastsS: number,
	[firstS, lastS]: readonly [firstLegS: number, lastLegS: number] = [lastsS, lastsS]
): Law {
	switch (tempo) {
		case 'smooth':
		case 'even':
			return { at: (share) => [share, 1], corners: [] };
		case 'soft':
			if (firstS < lastsS) return softOver(firstS / lastsS, lastS / lastsS);
			return {
				at: (share) => [minimumJerk(share), minimumJerkRate(share)],
				corners: []
			};
		case 'build':
			return { at: (share) => [share * share, 2 * share], corners: [] };
		case 'ramps': {
			const fit = Math.min(1, lastsS / Math.max(1e-9, rampInS + rampOutS));
			const [gains, loses] = [(rampInS * fit) / lastsS, (rampOutS * fit) / lastsS];
			const top = 1 / (1 - (gains + loses) / 2);
			return {
				at: (share) => {
					if (share < gains) return [(top * share * share) / (2 * gains), (top * share) / gains];
					if (share <= 1 - loses) return [top * (share - gains / 2), top];
					return [1 - (top * (1 - share) ** 2) / (2 * loses), (top * (1 - share)) / loses];
				},
				corners: [gains, 1 - loses]
			};
		}
	}
}

/** Through knots between, its first leg gains softly and its last loses so, `3τ² − 2τ³` of a speed that is even between. */
function softOver(first: number, last: number): Law {
	const whole = 1 - (first + last) / 2;
	const gained = (part: number) => part ** 3 - part ** 4 / 2;
	const rate = (part: number) => part * part * (3 - 2 * part);
	return {
		at: (share) => {
			if (share < first) return [(first * gained(share / first)) / whole, rate(share / first) / whole];
			const left = 1 - share;
			if (left < last) return [1 - (last * gained(left / last)) / whole, rate(left / last) / whole];
			return [(share - first / 2) / whole, 1 / whole];
		},
		corners: [first, 1 - last]
	};
}

/** Told once a stretch: whether its speed is there at once, and gone at once. */
export const hardEnds = ({ tempo, rampInS, rampOutS }: Pick<Move, 'tempo' | 'rampInS' | 'rampOutS'>) => ({
	start: tempo === 'even' || (tempo === 'ramps' && rampInS === 0),
	end: tempo === 'even' || tempo === 'build' || (tempo === 'ramps' && rampOutS === 0)
});
