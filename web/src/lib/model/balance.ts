import type { AxisState, Observation } from '@poise/core';
import type { Part } from './part';
import type { Payload } from './payload';
import type { Positions, Rig } from './rig';
import type { CraneRecordDetail } from './crane';
import type { SledRecordDetail } from './sled';

/** A move that was made, in the order of making: the till roll of the slip. */
export interface Nudge {
	readonly slideId: string;
	readonly fromM: number;
	readonly toM: number;
}

/** Which slide of an axis a look spoke of, and how far off the axis its load was heavy along it. */
export interface SeenAlong {
	readonly slideId: string;
	/** Positive: the slide's positive side is heavy. */
	readonly offsetM: number;
}

/** One look at a loose axis, with the slides where they stood. */
export type Look = {
	readonly axisId: string;
	readonly positionsM: Positions;
	/** Struck out: it stays on the roll and counts for nothing. */
	readonly struck?: boolean;
} & (
	| {
			readonly kind: 'way';
			readonly slideId: string;
			readonly observation: Observation;
			/** It holds, and the person goes on to find the middle of where it does. */
			readonly seek?: boolean;
	  }
	| { readonly kind: 'measured'; readonly how: string; readonly seen: readonly SeenAlong[] }
);

/** A weight fixed at a place the rig names. */
export interface FixedWeight {
	readonly placeId: string;
	readonly massKg: number;
}

/** Vertical tilt straight after fore-aft tilt, or last and only for heavy or light rigs. */
export type BalanceOrder = 'verticalNext' | 'verticalLast';

/** How a rig stands today with one payload on it. */
export interface BenchState {
	readonly positionsM: Positions;
	readonly nudges: readonly Nudge[];
	/** What was seen of the loose axes, oldest first; they correct the model. */
	readonly looks?: readonly Look[];
	readonly order?: BalanceOrder;
	/** Other holes, the cradle turned: ids of the rig's alternatives that are in use. */
	readonly alternativeIds?: readonly string[];
	readonly weights?: readonly FixedWeight[];
	/** Carried on with although the rig cannot be poised. */
	readonly waived?: boolean;
	/** The person takes the drawing's word against what was seen. */
	readonly believeDrawing?: boolean;
}

/** The payload as it was when logged, with the parts it was made of: the log must not change when the shelf does. */
export interface PayloadSnapshot {
	readonly payload: Payload;
	readonly parts: readonly Part[];
}

/** One line of the logbook. */
export interface LoggedBalance {
	readonly id: string;
	readonly payloadId: string | null;
	readonly rigId: string | null;
	readonly kind: 'gimbal' | 'sled' | 'crane';
	readonly sledId: string | null;
	readonly craneId: string | null;
	readonly payloadName: string;
	/** The rig's or the sled's. */
	readonly rigName: string;
	readonly payloadMassKg: number;
	/** As computed when it was logged. */
	readonly placed: boolean;
	/** As seen: let go and seen to hold. */
	readonly poised: boolean;
	/** Struck out of the book: kept, and counts for nothing. */
	readonly struck: boolean;
	readonly note: string;
	readonly personName: string;
	readonly loggedAt: string;
}

/** That line opened. */
export interface BalanceRecord extends LoggedBalance {
	readonly snapshot: PayloadSnapshot;
	readonly rig: Rig;
	readonly positionsM: Positions;
	readonly axes: readonly AxisState[];
	readonly nudges: readonly Nudge[];
	readonly weights?: readonly FixedWeight[];
	readonly alternativeIds?: readonly string[];
	/** Slides whose axis was let go and seen to hold at that reading; the other readings are computed, and teach nothing. */
	readonly found?: readonly string[];
}

/** A line about a sled, opened. */
export interface SledRecord extends LoggedBalance, SledRecordDetail {}

/** A line about a crane, opened. */
export interface CraneRecord extends LoggedBalance, CraneRecordDetail {}

/** What somebody changed about a line of the logbook afterwards, and why; nothing is ever deleted. */
export interface BalanceChange {
	readonly id: string;
	readonly kind: 'corrected' | 'struck' | 'restored';
	readonly personName: string;
	readonly at: string;
	readonly why: string;
	/** What the note, and the readings of a gimbal, were before a correction. */
	readonly before: { readonly note?: string; readonly positionsM?: Positions };
}
