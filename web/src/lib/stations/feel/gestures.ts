import { type HandleMotion, radFromDeg } from '@poise/core';
import type { GestureKey } from './model';
import { gestureWords, isWalk, walkOf } from './shots';

const turn = (degrees: number, takesS: number, fromS = 0.3): HandleMotion => ({
	kind: 'ramp',
	rateRadPerS: radFromDeg(degrees) / takesS,
	fromS,
	toS: fromS + takesS
});

const everyS = 0.01;

/** What the hand does, as the core steps it; counter-clockwise and up are positive. */
export const handleOf = (key: GestureKey): HandleMotion => (made[key] ??= motionOf(key));
const made: Partial<Record<GestureKey, HandleMotion>> = {};

function motionOf(key: GestureKey): HandleMotion {
	switch (key) {
		case 'quarterTurn':
			return turn(-90, 0.8);
		case 'stop':
			return turn(-90, 2);
		case 'whipPan':
			return turn(-120, 0.35);
		case 'slowPan':
			return turn(-60, 6);
		case 'tiltDown':
			return turn(-40, 1.2);
		default: {
			const atS = Array.from({ length: Math.round(gestureWords[key].lastsS / everyS) + 1 }, (_, k) => k * everyS);
			// From rest: the first step comes in softly.
			const soft = (t: number) => 1 - Math.exp(-((t / 0.4) ** 2));
			return {
				kind: 'path',
				atS,
				angleRad: atS.map((t) =>
					walkOf[key].reduce(
						(sum, { frequencyHz, turnRad, phaseRad }) =>
							sum + soft(t) * turnRad * Math.sin(2 * Math.PI * frequencyHz * t + phaseRad),
						0
					)
				)
			};
		}
	}
}

/** When the hand is done, s; of steps, when they end. */
export function doneS(key: GestureKey): number {
	const handle = handleOf(key);
	return isWalk(key) || handle.kind !== 'ramp' ? 0 : handle.toS;
}
