import { degFromRad } from '@poise/core';

/** A figure as the camera goes by it: to the left and up are what they look like, hung upside down or not. */
export type PictureSign = 1 | -1;
const words = { panRad: ['left', 'right'], tiltRad: ['up', 'down'] } as const;
type Turning = keyof typeof words;
const turns = (axis: string): axis is Turning => axis === 'panRad' || axis === 'tiltRad';

/** `up 15°`, `left 30°`: where a head looks, from where its pan and tilt stand; null: of an axis that is neither. */
export function turnWords(axis: string, rad: number, sign: PictureSign, digits = 0): string | null {
	if (!turns(axis)) return null;
	const deg = Number((degFromRad(rad) * sign).toFixed(digits));
	const figure = `${Math.abs(deg).toFixed(digits)}°`;
	return deg === 0 ? figure : `${words[axis][deg > 0 ? 0 : 1]} ${figure}`;
}
/** What a field is called in which to the left and up are more than 0. */
export const turnLabel = (axis: string): string | null =>
	turns(axis) ? (axis === 'panRad' ? 'pan, to the left' : 'tilt, up') : null;
