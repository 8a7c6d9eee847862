import { mFromMm, positionAt } from '@poise/core';
import { printedMm } from '$lib/sheet/units/printed';
import type { RigSlide } from './model';

/** The position that reads as printed, kept inside the travel. */
export function printablePosition(slide: RigSlide, positionM: number): number {
	const positionPrintedM = positionAt(slide, mFromMm(printedMm(slide, positionM)));
	return Math.min(slide.rangeM[1], Math.max(slide.rangeM[0], positionPrintedM));
}
