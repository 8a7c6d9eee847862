import type { Vec3 } from '@poise/core';

export const measuringWays = ['rod', 'scales', 'hang', 'swing', 'balance'] as const;
export type MeasuringWay = (typeof measuringWays)[number];

/** What was measured: a part from the middle of its box, or a whole build from the middle of its plate. */
export interface MeasuringSubject {
	readonly partId: string | null;
	readonly payloadId: string | null;
}

/** One coordinate found: along x (forward), y (left) or z (up). */
export interface FoundCoordinate {
	readonly axis: 0 | 1 | 2;
	readonly valueM: number;
	readonly sigmaM: number;
}

export interface NewMeasurement extends MeasuringSubject {
	/** Made where it was measured: sent again after a lost answer, it is the same one. */
	readonly id: string;
	readonly way: MeasuringWay;
	readonly found: readonly FoundCoordinate[];
	/** The readings as taken, in words, for whoever looks again. */
	readonly readings: string;
}

export interface Measurement extends NewMeasurement {
	readonly personName: string;
	readonly at: string;
}

/** A figure of the gear that was changed by a measurement or a lesson, so that it can be taken back. */
export interface GearChange {
	readonly id: string;
	readonly about: 'part' | 'zero';
	/** The part, or the gimbal. */
	readonly subjectId: string;
	readonly slideId: string | null;
	readonly from: string;
	/** The lesson it was taken over from, with all others of it; null: it was measured. */
	readonly lessonId: string | null;
	readonly before: GearFigure;
	readonly after: GearFigure;
	readonly personName: string;
	readonly at: string;
	readonly undone: boolean;
}

export type GearFigure =
	| { readonly cgFromMiddleM: Vec3 | null; readonly cgSigmaM: Vec3 | null; readonly cgFrom: string | null }
	| { readonly readingAtZeroM: number; readonly zeroSigmaM: number };

/** What a lesson of the logbook said of one figure that was taken over from it. */
export interface Taught {
	/** Figures with the same one were taken from one and the same lesson. */
	readonly lessonId: string;
	readonly widenedBy: number;
	/** What was believed of it before any balance taught of it. */
	readonly untaught: GearFigure;
	/** The single figures that were weighed together with it, its own among them, in core's words (`part:<id>.x`, `zero:<id>.<slide>`). */
	readonly keys: readonly string[];
	/** What was believed of each of them then, before any balance, metres. */
	readonly believedM: readonly number[];
	/** A row of covariances for each of its own coordinates, m². */
	readonly rows: readonly (readonly number[])[];
}

/** A change of a figure that came from a lesson and was not taken back, the newest of its figure. */
export interface TaughtChange {
	readonly about: 'part' | 'zero';
	readonly subjectId: string;
	readonly slideId: string | null;
	readonly at: string;
	readonly after: GearFigure;
	readonly taught: Taught;
}
