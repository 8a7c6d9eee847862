import { mFromMm, mmFromM, positionAt, readingAt } from '@poise/core';
import type { RigSlide } from './model';

/** A scale shows whole millimetres and a hand reads halves between them. */
const halfMm = (slide: RigSlide, positionM: number): number => Math.round(mmFromM(readingAt(slide, positionM)) * 2) / 2;

export const printedReading = (slide: RigSlide, positionM: number): string => String(halfMm(slide, positionM));

/** The position that reads as printed, kept inside the travel. */
export function printablePosition(slide: RigSlide, positionM: number): number {
	const positionPrintedM = positionAt(slide, mFromMm(halfMm(slide, positionM)));
	return Math.min(slide.rangeM[1], Math.max(slide.rangeM[0], positionPrintedM));
}
