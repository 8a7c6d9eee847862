import type { SledSeen } from '$lib/model/sled';
import { degrees } from './slip';

/** Turns a minute, as they are counted. */
export const perMinute = (radPerS: number): number => (radPerS * 60) / (2 * Math.PI);
export const fromPerMinute = (turns: number): number => (turns * 2 * Math.PI) / 60;

export const planeWords = { fore: 'Fore-aft', side: 'Side to side' } as const;

const side = ({ plane }: Pick<SledSeen, 'plane'>, value: number) =>
	plane === 'fore' ? (value > 0 ? 'forward' : 'back') : value > 0 ? 'left' : 'right';

/** One thing seen, in a line. */
export function seenInWords(seen: SledSeen): string {
	const plane = seen.plane === 'fore' ? 'fore-aft' : 'side to side';
	if (seen.kind === 'way')
		return seen.way === 0 ? `Stood upright, ${plane}` : `Leaned ${side(seen, seen.way)} when let go`;
	if (seen.kind === 'rest') return `Rested ${degrees(seen.leanRad)} ${side(seen, seen.leanRad)}`;
	if (seen.kind === 'drop')
		return `Dropped in ${seen.dropTimeS.toFixed(2)} s${seen.runsS.length > 1 ? `, mean of ${seen.runsS.length}` : ''}${seen.plane === 'side' ? ', sideways' : ''}`;
	const rate = `at ${perMinute(seen.spinRadPerS).toFixed(0)} turns a minute`;
	return seen.leanRad === 0
		? `Turned true, ${plane}, ${rate}`
		: `Leaned ${degrees(seen.leanRad)} ${side(seen, seen.leanRad)} ${rate}`;
}
