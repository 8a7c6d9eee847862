import type { MeasuringWay } from '$lib/model/measurement';
import type { UnitSystem } from '$lib/model/person';
import { showLength, together } from '$lib/sheet/units/display';

export const wayWords: Readonly<Record<MeasuringWay, string>> = {
	rod: 'On a rod',
	scales: 'On two scales',
	hang: 'Hung from two points',
	swing: 'Swung on a pin',
	balance: 'From a logged balance'
};
export const axisWords = ['fore-aft', 'sideways', 'height'] as const;
const plusMinus = [
	['forward', 'back'],
	['left', 'right'],
	['up', 'down']
] as const;

/** "4 mm down", along one of the three directions. */
export function placeInWords(axis: 0 | 1 | 2, valueM: number, units: UnitSystem): string {
	const [plus, minus] = plusMinus[axis];
	return `${together(showLength(valueM, units))} ${valueM >= 0 ? plus : minus}`;
}
export const sureInWords = (sigmaM: number, units: UnitSystem): string => `± ${together(showLength(sigmaM, units))}`;
