import { mmFromM, readingAt, type RigSlide } from '@poise/core';

/** What has a scale printed on it. */
export type Scaled = Pick<RigSlide, 'scale'>;

/** A scale shows whole millimetres and a hand reads halves between them. */
export const printedMm = (on: Scaled, positionM: number): number =>
	Math.round(mmFromM(readingAt(on, positionM)) * 2) / 2;
export const printedReading = (on: Scaled, positionM: number): string => String(printedMm(on, positionM));
