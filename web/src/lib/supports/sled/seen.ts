import { correctSled, type Sled, type SledEstimate, sledReport, steadyLean } from '@poise/core';
import type { SledGeometry, SledSeen } from './model';
import type { MountedBody } from './figures';
import { degrees, seconds } from './slip';
import { cameraId, sledOf } from './standing';

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

/** What the drawing had of one thing seen, what was seen, and what is reckoned now. */
export interface SeenBeside {
	readonly drawing: string;
	readonly seen: string;
	readonly reckoned: string;
	/** The drawing's doubts had to be widened before the looks fitted. */
	readonly beyond: boolean;
	readonly looksClash: boolean;
}

export function seenBeside(
	geometry: SledGeometry,
	payload: readonly MountedBody[],
	look: SledSeen,
	estimate: SledEstimate
): SeenBeside {
	const drawn = sledOf(geometry, look.setting, payload);
	const reckoned = correctSled({ sled: drawn, correction: estimate.correction, carrierId: cameraId });
	return {
		drawing: foretold(drawn, look),
		seen: seenInWords(look),
		reckoned: foretold(reckoned, look),
		beyond: estimate.widenedBy > 1.05,
		looksClash: estimate.looksClash
	};
}

/** What a sled would do where that was seen. */
function foretold(sled: Sled, look: SledSeen): string {
	const { staticOffsetM, dropHeightM, dropTimeS } = sledReport({ sled });
	if (look.kind === 'drop') {
		const time = dropTimeS[look.plane];
		return time === null ? 'turns over, it does not drop' : `drops in ${seconds(time)}`;
	}
	if (look.kind === 'spin') {
		const { leanRad } = steadyLean({ sled, spinRadPerS: look.spinRadPerS, plane: look.plane });
		return leanRad === null ? 'cannot stand so' : leans(leanRad, look, 'spins true');
	}
	if (dropHeightM <= 0) return 'turns over';
	return leans(Math.atan2(staticOffsetM[look.plane], dropHeightM), look, 'stands upright');
}

const leans = (leanRad: number, look: Pick<SledSeen, 'plane'>, upright: string): string =>
	Math.abs(leanRad) < 0.0009 ? upright : `leans ${degrees(leanRad)} ${side(look, leanRad)}`;
