import type { Vec3 } from '@poise/core';
import type { AxisFigures, HeadFigures, Reach } from '$lib/model/head';
import type { LensAt } from '$lib/model/lensAt';
import type { SubjectShape } from '$lib/places/subjectPieces';

/** What carries the head, in the order in which a hand thinks of it; a walk has its place on the floor instead. */
const baseAxes = ['trackM', 'swingRad', 'boomRad', 'extensionM', 'eastM', 'northM', 'heightM'] as const;
export const headAxes = ['panRad', 'tiltRad', 'rollRad', 'focusM', 'focalM'] as const;
export const allAxes = [...baseAxes, ...headAxes] as const;
export type BaseAxis = (typeof baseAxes)[number];
export type HeadAxis = (typeof headAxes)[number];
export type Axis = (typeof allAxes)[number];
/** Places of the axes at one time: metres, radians. */
export type Values = Readonly<Partial<Record<BaseAxis, number>> & Record<HeadAxis, number>>;

/** How the head's plate lies: it stands on one, hangs under one, or stands on a bracket at a wall. */
export const stances = ['up', 'hung', 'wall'] as const;
export type Stance = (typeof stances)[number];

interface OfGear {
	/** Of the shelf; null: from a pattern. */
	readonly gearId: string | null;
	readonly gearName: string;
}
interface Carrier extends OfGear {
	/** How far it gives, as its figure says; none: a careful guess by its kind. */
	readonly givesM?: number | null;
}

export interface FixedSupport extends Carrier {
	readonly kind: 'fixed';
	/** Where pan and tilt cross. */
	readonly atM: Vec3;
	readonly headingRad: number;
	readonly stance: Stance;
}
/** A rail with a carriage, or a dolly on its track: both go along a straight line. */
export interface RailSupport extends Carrier {
	readonly kind: 'rail';
	readonly what: 'slider' | 'dolly';
	/** Where pan and tilt cross with the carriage at 0. */
	readonly startM: Vec3;
	readonly headingRad: number;
	readonly inclineRad: number;
	readonly stance: Stance;
	readonly lengthM: number;
	readonly travelM: Reach;
	readonly maxRate: number;
	readonly maxAccel: number;
	/** An extension carries the head so far past the carriage, along the rail. */
	readonly reachM: number;
	/** From the rail's middle line to where pan and tilt cross, square to it. */
	readonly plateM: number;
	readonly railKg: number;
	readonly carriageKg: number;
	/** One clamp or two supports, from the rail's start. */
	readonly supportsM: readonly number[];
	readonly clampsDown: boolean;
	readonly supportBearsN: number | null;
	readonly clampHoldsNm: number | null;
	readonly holdsN: number | null;
}
export interface ArmSupport extends Carrier {
	readonly kind: 'arm';
	readonly pivotM: Vec3;
	readonly headingRad: number;
	readonly armM: number;
	readonly tailM: number;
	/** Across. */
	readonly tubeM: number;
	readonly noseToCentreM: readonly [forward: number, up: number];
	readonly keptLevel: boolean;
	readonly hung: boolean;
	readonly swing: AxisFigures;
	readonly boom: AxisFigures;
	readonly extension: AxisFigures | null;
	readonly track: ({ readonly headingRad: number } & AxisFigures) | null;
}
/** A handheld walk: a line on the plan with heights. */
export interface WalkSupport extends OfGear {
	readonly kind: 'walk';
	readonly maxRate: number;
	readonly maxAccel: number;
}
export type MoveSupport = FixedSupport | RailSupport | ArmSupport | WalkSupport;

export type { SubjectShape };
/** What turns the camera on it: a locked ball head, a passive bar beside the rail, motors, a gimbal's motors. */
export const headKinds = ['ball', 'bar', 'motors', 'gimbal'] as const;
export type HeadKind = (typeof headKinds)[number];

interface PanBar {
	readonly crankM: number;
	/** Of the subject off the rail, square to it. */
	readonly distanceM: number;
	readonly choose: 'ends' | 'leastWorst';
	readonly setting: 'holding' | 'sweeping';
}

export interface MoveHead extends OfGear {
	readonly kind: HeadKind;
	readonly figures: HeadFigures;
	readonly bar: PanBar;
	/** The head's own following of a subject: how far it lags, s. */
	readonly followLagS: number;
}

export interface MoveCamera {
	readonly name: string;
	/** From where pan and tilt cross to its back and to the front of the lens; and round its middle line. */
	readonly backM: number;
	readonly frontM: number;
	readonly radiusM: number;
	readonly massKg: number;
	readonly sensorWidthM: number;
	readonly sensorHeightM: number;
	readonly fNumber: number;
	readonly closestM: number;
	/** Of a zoom, from wide to long; null: a prime. */
	readonly zoomM: Reach | null;
	/** None: taken to be where pan and tilt cross. */
	readonly lens?: LensAt | null;
}

/** What a subject is, as it is drawn: so large, with the place looked at where one looks at it. */
export const subjectShapes = [
	'ball',
	'standing',
	'seated',
	'cake',
	'bottle',
	'book',
	'box'
] as const satisfies readonly SubjectShape[];
interface MoveSubject {
	readonly name: string;
	readonly atM: Vec3;
	/** Drawn and framed so large. */
	readonly tallM: number;
	/** None: a ball, or somebody standing where it is as tall. */
	readonly shape?: SubjectShape | undefined;
}

export interface Knot {
	readonly id: string;
	readonly name: string;
	/** Arrival; it stays for `dwellS`. */
	readonly tS: number;
	readonly dwellS: number;
	readonly values: Values;
	/** While the subject is held: how far pan, tilt and focus are off it here. */
	readonly off: Readonly<Record<'panRad' | 'tiltRad' | 'focusM', number>>;
}

export const tempos = ['smooth', 'soft', 'even', 'build', 'ramps'] as const;
export type Tempo = (typeof tempos)[number];

export interface Move {
	readonly name: string;
	readonly job: string;
	readonly venueId: string | null;
	readonly support: MoveSupport;
	readonly head: MoveHead;
	readonly camera: MoveCamera;
	readonly subject: MoveSubject;
	/** Pan and tilt, and focus, stay on the subject, or go as the knots say. */
	readonly aim: 'subject' | 'knots';
	readonly focus: 'subject' | 'knots';
	readonly knots: readonly Knot[];
	/** How its speed goes between stops, and so how it starts and ends: rest to rest by the knots' own spline, with the least jolt, even, building to a hard end, own ramps. */
	readonly tempo: Tempo;
	readonly rampInS: number;
	readonly rampOutS: number;
	/** There and back so many times, with a rest at the far end and at home; 0: once, one way. */
	readonly loops: number;
	readonly restFarS: number;
	readonly restHomeS: number;
	/** Room asked beside everything that stands there. */
	readonly safetyM: number;
	/** Who ran it backwards, when, and what it was then. */
	readonly ranBackwards: { readonly by: string; readonly at: string; readonly path: string } | null;
	/** Lines of the run backwards that are ticked, and of which way: of another they count for nothing. */
	readonly ticked: readonly string[];
	readonly tickedPath: string;
}

export interface SavedMove {
	readonly id: string;
	readonly version: number;
	readonly move: Move;
}

export const runSeen = ['asPlanned', 'nearer', 'struck', 'late', 'lostSubject'] as const;
/** What was seen when it ran. */
export type RunSeen = (typeof runSeen)[number];

/** A run as the logbook keeps it, with the move as it was. */
export interface MoveRun {
	readonly id: string;
	readonly moveId: string | null;
	readonly moveName: string;
	readonly venueName: string;
	readonly personName: string;
	readonly note: string;
	readonly struck: boolean;
	readonly at: string;
	readonly move: Move;
	readonly seen: RunSeen;
}
