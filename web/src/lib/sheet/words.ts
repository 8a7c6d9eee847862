import type { Vec3 } from '@poise/core';
import type { UnitSystem } from '$lib/model/person';
import { showLength, together } from '$lib/sheet/units/display';

/** Less than this off the middle is the middle, for anyone with a hand. */
const middleM = 0.0005;

/** Where the centre of gravity lies, in the words of the hand: "12 mm forward", or null for the middle. */
export function offMiddle(metres: number, plus: string, minus: string, units: UnitSystem): string | null {
	if (Math.abs(metres) < middleM) return null;
	return `${together(showLength(metres, units))} ${metres > 0 ? plus : minus}`;
}

/** "12 mm forward, 2 mm right, 55 mm above the plate". */
export function cgInWords(cgM: Vec3, units: UnitSystem): string {
	const words = [
		offMiddle(cgM[0], 'forward', 'back', units),
		offMiddle(cgM[1], 'left', 'right', units),
		`${together(showLength(cgM[2], units))} ${cgM[2] >= 0 ? 'above' : 'below'} the plate`
	];
	return words.filter((each) => each !== null).join(', ');
}
