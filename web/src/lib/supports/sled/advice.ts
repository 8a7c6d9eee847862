import { radFromDeg } from '@poise/core';
import { type SledShot } from './model';

interface ShotAdvice {
	readonly words: string;
	readonly dropTimeS: number;
	readonly why: string;
	/** Lean of the principal axis that this kind of shot still forgives. */
	readonly leanRad: number;
}

/** What each kind of shot asks of a sled. Rules of thumb; the operator's hand decides. */
export const shotAdvice: Readonly<Record<SledShot, ShotAdvice>> = {
	tilts: {
		words: 'Tilts',
		dropTimeS: 3.2,
		why: 'a light touch tilts it and it stays where it is put',
		leanRad: radFromDeg(1)
	},
	longWalks: {
		words: 'Long walks',
		dropTimeS: 2.5,
		why: 'heavy enough at the foot to find level again between steps',
		leanRad: radFromDeg(0.8)
	},
	stairs: {
		words: 'Stairs',
		dropTimeS: 2.6,
		why: 'every start and stop on the stairs swings a foot-heavy sled',
		leanRad: radFromDeg(0.8)
	},
	pans: {
		words: 'Pans',
		dropTimeS: 2.4,
		why: 'it keeps its horizon through the turn',
		leanRad: radFromDeg(0.5)
	},
	whipPans: {
		words: 'Whip pans',
		dropTimeS: 2,
		why: 'a foot-heavy post stands up to a sudden turn',
		leanRad: radFromDeg(0.3)
	}
};

const leastAdviceS = 2;
const mostAdviceS = 4;
export const usualDropS = 2.5;

export interface DropAdvice {
	readonly dropTimeS: number;
	readonly reason: string;
}

/** One drop time for the shots of the day: midway between the slowest and the quickest that any of them asks for. */
export function dropAdvice(shots: readonly SledShot[]): DropAdvice {
	const wanted = shots.map((shot) => shotAdvice[shot]);
	if (wanted.length === 0) return { dropTimeS: usualDropS, reason: 'Nothing is ticked yet: 2.5 s does for most days.' };
	const slow = wanted.reduce((most, each) => (each.dropTimeS > most.dropTimeS ? each : most));
	const quick = wanted.reduce((most, each) => (each.dropTimeS < most.dropTimeS ? each : most));
	const middle = Math.round(((slow.dropTimeS + quick.dropTimeS) / 2) * 10) / 10;
	const dropTimeS = Math.min(mostAdviceS, Math.max(leastAdviceS, middle));
	if (slow.dropTimeS - quick.dropTimeS < 0.35) return { dropTimeS, reason: `${slow.words}: ${slow.why}.` };
	return {
		dropTimeS,
		reason: `${slow.words} want it slow (${slow.why}), ${quick.words.toLowerCase()} quick (${quick.why}): this is the middle.`
	};
}

/** The strictest of the day; nothing ticked counts as an ordinary pan. */
export const leanToleranceRad = (shots: readonly SledShot[]): number =>
	shots.length === 0 ? shotAdvice.pans.leanRad : Math.min(...shots.map((shot) => shotAdvice[shot].leanRad));
