/** Where a turn that is timed with one thumb stands. */
export type Timing =
	| { readonly at: 'ready' }
	| { readonly at: 'turned'; readonly fromMs: number }
	| { readonly at: 'half'; readonly fromMs: number; readonly halfS: number }
	| { readonly at: 'done'; readonly halfS: number; readonly endS: number };

export const ready: Timing = { at: 'ready' };

/** Sooner than this after the last press a press is a trembling thumb. */
const leastS = 0.04;

/** One press of the pad: the turn, half of the way, standing still; after that it begins anew. */
export function pressed(timing: Timing, nowMs: number): Timing {
	switch (timing.at) {
		case 'ready':
		case 'done':
			return { at: 'turned', fromMs: nowMs };
		case 'turned': {
			const halfS = (nowMs - timing.fromMs) / 1000;
			return halfS < leastS ? timing : { at: 'half', fromMs: timing.fromMs, halfS };
		}
		case 'half': {
			const endS = (nowMs - timing.fromMs) / 1000;
			return endS - timing.halfS < leastS ? timing : { at: 'done', halfS: timing.halfS, endS };
		}
	}
}

/** Half of the way takes no quick turn longer than this: a press was missed, or the hand turned slowly. */
const slowestS = 5;
export const isQuick = ({ halfS }: { readonly halfS: number }): boolean => halfS <= slowestS;

export const padWords: Readonly<Record<Timing['at'], string>> = {
	ready: 'Press as you turn',
	turned: 'Press at half of the way',
	half: 'Press when it stands',
	done: 'Press to turn again'
};

/** The settings that are worth timing next: the far ends of the scale, a tenth in, which no turn has been timed at. */
export function nextSetting(
	{ least, most }: { readonly least: number; readonly most: number },
	timed: readonly number[]
): number {
	const at = (share: number) => Math.round(least + share * (most - least));
	const wanted = [at(0.2), at(0.8), at(0.5)];
	return wanted.find((each) => !timed.some((setting) => Math.abs(setting - each) <= (most - least) * 0.1)) ?? at(0.2);
}
