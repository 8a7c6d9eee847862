import { degFromRad, type Sled, type SledPlane, sledReport, steadyLean } from '@poise/core';
import { degrees } from './slip';
import { fromPerMinute, perMinute } from './seen';

/** Turns a minute that stand for what a hand does with a sled. */
export const spinRates = [
	{ id: 'slow', words: 'Slow pan', perMinute: 4 },
	{ id: 'brisk', words: 'Brisk pan', perMinute: 15 },
	{ id: 'hand', words: 'Spin by hand', perMinute: 50 }
] as const;

export interface PredictedSpin {
	readonly id: string;
	readonly words: string;
	readonly perMinute: number;
	/** Null: it cannot stand so. */
	readonly foreRad: number | null;
	readonly sideRad: number | null;
}

const leanAt = (sled: Sled, turns: number, plane: SledPlane) =>
	steadyLean({ sled, spinRadPerS: fromPerMinute(turns), plane }).leanRad;

/** Steady leans of one sled at each of those rates. */
export const predictedSpins = (sled: Sled): PredictedSpin[] =>
	spinRates.map(({ id, words, perMinute: turns }) => ({
		id,
		words,
		perMinute: turns,
		foreRad: leanAt(sled, turns, 'fore'),
		sideRad: leanAt(sled, turns, 'side')
	}));

/** "1.2° forward, 0.3° left"; small leans count as none. */
export function leanInWords(foreRad: number | null, sideRad: number | null): string {
	if (foreRad === null || sideRad === null) return 'cannot stand so';
	const parts = [
		Math.abs(degFromRad(foreRad)) < 0.05 ? null : `${degrees(foreRad)} ${foreRad > 0 ? 'forward' : 'back'}`,
		Math.abs(degFromRad(sideRad)) < 0.05 ? null : `${degrees(sideRad)} ${sideRad > 0 ? 'left' : 'right'}`
	].filter((each) => each !== null);
	return parts.length === 0 ? 'upright' : parts.join(', ');
}

/** Why it leans one way when turned slowly and the other way when spun: two sentences with this sled's own figures. */
export function spinExplained(sled: Sled): readonly [string, string] {
	const { dynamic, dropHeightM } = sledReport({ sled });
	const { criticalRadPerS } = steadyLean({ sled, spinRadPerS: 0, plane: 'fore' });
	if (criticalRadPerS === null || dropHeightM <= 0)
		return [
			'Its weight stands over the gimbal, so it turns over before it spins.',
			'Set the gimbal up first; then the spin says something.'
		];
	const turns = perMinute(criticalRadPerS).toFixed(0);
	const against = leanInWords(-dynamic.foreLeanRad, -dynamic.sideLeanRad);
	return [
		`Up to about ${turns} turns a minute gravity has the say, and the post hangs by its weight as it does at rest.`,
		against === 'upright'
			? 'Turned faster the spin has the say and stands the post about its principal axis, which is the post itself: it stays upright.'
			: `Turned faster the spin has the say and stands the principal axis upright instead, so the post leans the other way, towards ${against}; let go by hand it swings about that before it settles.`
	];
}
