import type { HeadLimits, PassKey, PlateCount, Point, Vec3 } from '@poise/core';
import type { RecordDetail, RecordOf } from '$lib/model/balance';
import type { GearDraft } from '$lib/model/gear';
import type { PlanPoint } from '$lib/model/venue';

export type Span = readonly [least: number, greatest: number];

/** One length of the arm before the pivot, pivot first. Those that may be left out come off from the nose end. */
export interface ArmSection {
	readonly id: string;
	readonly label: string;
	readonly massKg: number;
	readonly lengthM: number;
	/** Tube over tube: how far it pulls out of the one behind it. */
	readonly pullsOutM?: number;
}

/** What the camera hangs on. */
export interface CraneHead {
	readonly name?: string;
	readonly massKg: number;
	/** Its own centre of gravity from the hinge, always counted down for a hung head and up for a standing one. */
	readonly cgM: number;
	/** The camera plate's middle from the hinge, likewise. */
	readonly plateM: number;
	readonly limits: HeadLimits;
}

export const baseKinds = ['tripod', 'dolly', 'column'] as const;
type BaseKind = (typeof baseKinds)[number];

/** A crane from floor to lens. Arm frame: u along the arm to the nose, v square to it, up when level, both from the pivot. */
export interface CraneGeometry {
	readonly pattern: string;
	readonly sections: readonly ArmSection[];
	/** The tube behind the pivot. */
	readonly rear: { readonly lengthM: number; readonly massKg: number };
	/** Tubes' own line above the pivot. */
	readonly tubeVM: number;
	/** Across, for drawing, clearance and wind. */
	readonly tubeAcrossM: number;
	/** Rod or cable of the levelling linkage, per metre of arm. */
	readonly rodKgPerM: number;
	readonly nose: {
		readonly massKg: number;
		/** The hinge above or below the line through pivot and arm. */
		readonly vM: number;
		readonly kept: 'level' | 'fixed';
		/** The head hangs under the nose or stands on it. */
		readonly head: 'hung' | 'standing';
	};
	readonly head: CraneHead;
	/** Others at hand that can hang there instead. */
	readonly otherHeads?: readonly CraneHead[];
	readonly hanger: {
		readonly massKg: number;
		readonly uM: number;
		/** The weight line, and a second one where there are two; v. */
		readonly vM: number;
		readonly secondVM: number | null;
	};
	readonly trim: {
		readonly massKg: number;
		readonly rangeU: Span;
		readonly vM: number;
		readonly graduationM: number;
	};
	/** Plates at hand. */
	readonly plates: readonly PlateCount[];
	readonly boomRangeRad: Span;
	/** How far its nose gives under load, measured; none or null: a careful guess. */
	readonly givesM?: number | null;
	/** Pivot above the floor: the column's travel. */
	readonly pivotHeightM: Span;
	readonly base: {
		readonly kind: BaseKind;
		/** Feet or wheels, counter-clockwise seen from above, about the pivot. */
		readonly feetM: readonly Point[];
		readonly massKg: number;
		readonly cgM: Vec3;
		/** Counterbalanced pedestal: what its lift is set for; null: none. */
		readonly liftsKg: number | null;
	};
	readonly linkage: {
		readonly linkM: number;
		readonly rearPivotM: readonly [number, number];
		/** Less the arm's own length. */
		readonly rodLongerM: number;
		readonly mPerTurn: number;
	};
}

export type CraneDraft = GearDraft<CraneGeometry>;

export interface CraneRig extends CraneDraft {
	readonly id: string;
	readonly version: number;
}

/** How many of each kind hang, in the order of the geometry's plates. */
export type Hung = readonly number[];

export interface CraneSetting {
	/** Ids of the sections that are fitted. */
	readonly fitted: readonly string[];
	readonly pulledOutM: number;
	readonly hung: Hung;
	/** Share of the plates on the second weight line. */
	readonly shareSecond: number;
	readonly trimU: number;
	readonly pivotHeightM: number;
	/** For the drawing and for whoever asks "what now": where the arm is held. */
	readonly boomRad: number;
	readonly swingRad: number;
}

/** What may push it over. */
export interface CraneGround {
	readonly slopeRad: number;
	readonly windMPerS: number;
	/** Area of flags, sails and people's jackets beside what is drawn. */
	readonly moreAreaM2: number;
	readonly pushN: number;
	readonly pushHeightM: number;
	readonly ballastKg: number;
	/** What the floor bears on a foot, as its owner says; null: nobody has said. */
	readonly floorN: number | null;
}

/** One step of loading or unloading, in the order that the crew wants to do it. */
export interface CraneStep {
	readonly id: string;
	readonly what: 'bare' | 'head' | 'camera' | 'plates' | 'trim' | 'free';
	/** On or off; `free`: let go. */
	readonly on: boolean;
	/** Share of the plates. */
	readonly share?: number;
	readonly held: boolean;
}

interface CraneLevel {
	readonly id: string;
	readonly boomRad: number;
	readonly tiltRad: number;
}

export interface CranePass {
	readonly fromSwingRad: number;
	readonly toSwingRad: number;
	readonly fromBoomRad: number;
	readonly toBoomRad: number;
	readonly durationS: number;
	/** Poses on the way; none or absent: straight there. */
	readonly via?: readonly PassKey[];
	readonly subjectM: Vec3;
	readonly focalM: number;
	readonly sensorWidthM: number;
}

/** What the arm was seen to do when it was let go, with everything hanging as it hung then. */
export interface CraneLook {
	readonly what: 'sinks' | 'stays' | 'rises';
	readonly setting: CraneSetting;
	readonly payloadVersion: number;
	/** Struck out: it stays on the roll and counts for nothing. */
	readonly struck?: boolean;
}

export interface CraneBenchState {
	readonly setting: CraneSetting;
	/** How much heavier than neutral the nose is wanted. */
	readonly noseBiasKg: number;
	/** The push at the nose that just moves it: the pivot's friction, measured once. */
	readonly pushMovesKg: number;
	readonly slips: readonly (readonly string[])[];
	/** Which of the choices the slip speaks of. */
	readonly choice: number;
	readonly ground: CraneGround;
	readonly loading: readonly CraneStep[];
	readonly unloading: readonly CraneStep[];
	readonly levels: readonly CraneLevel[];
	readonly pass: CranePass;
	/** What stands round it, as far as it was paced out. */
	readonly room: CraneRoom;
	/** Where it stands on a venue's plan; null or absent: on none. */
	readonly standing?: CraneStanding | null;
	readonly looks?: readonly CraneLook[];
	/** The person takes the drawing's word against what was seen. */
	readonly believeDrawing?: boolean;
	/** Steps of loading and of unloading that are done, so that a reload goes on where the hands are. */
	readonly stepsDone?: { readonly loading: readonly string[]; readonly unloading: readonly string[] };
}

/** Where a crane stands on a venue's plan, and how far it is let move there. */
export interface CraneStanding {
	readonly venueId: string;
	readonly atM: PlanPoint;
	/** Where swing 0 points, from the sheet's right, counter-clockwise. */
	readonly headingRad: number;
	/** Stops of the swing; null: all the way round. */
	readonly stopsRad: Span | null;
	/** The booms that the shot uses; null: all that the floor and the ceiling leave. */
	readonly boomsRad: Span | null;
	/** The house lets it pass over people; otherwise nobody is to be under it. */
	readonly overPeople: boolean;
}

/** The room round a crane; null: nothing there. Metres from the floor, or from the pivot along the floor. */
export interface CraneRoom {
	readonly ceilingM: number | null;
	readonly wallM: number | null;
	/** People sit or stand from here on, and as high as this. */
	readonly rowsFromM: number | null;
	readonly headsM: number;
	/** An overhead line, above the floor. */
	readonly lineM: number | null;
}

/** A crane balance as the logbook keeps it beyond its line. */
export interface CraneRecordDetail extends RecordDetail<CraneRig> {
	readonly setting: CraneSetting;
	readonly noseBiasKg: number;
	readonly ground: CraneGround;
	readonly figures: {
		readonly uKgM: number;
		readonly vKgM: number;
		readonly noseKg: number;
		readonly reserve: number;
		readonly kind: string;
	};
	readonly slips: readonly (readonly string[])[];
}

export type CraneRecord = RecordOf<CraneRecordDetail>;
