import type {
	AxisState,
	CounterweightPlace,
	GimbalAxis,
	GimbalPart,
	Observation,
	RigSlide as CoreSlide,
	Vec3
} from '@poise/core';
import type { RecordDetail, RecordOf } from '$lib/model/balance';
import type { GearDraft } from '$lib/model/gear';

/** One stroke of a gimbal's drawing, rig frame, every slide at 0. It moves with the gimbal part it belongs to. */
export type RigStroke =
	| { readonly kind: 'box'; readonly partId: string; readonly atM: Vec3; readonly sizeM: Vec3 }
	| { readonly kind: 'tube'; readonly partId: string; readonly pointsM: readonly Vec3[]; readonly widthM: number }
	| {
			readonly kind: 'motor';
			readonly partId: string;
			readonly atM: Vec3;
			readonly axis: 'x' | 'y' | 'z';
			readonly radiusM: number;
			readonly lengthM: number;
	  };

export interface RigAxis extends GimbalAxis {
	readonly label: string;
}

export interface RigPart extends GimbalPart {
	readonly label: string;
}

export interface RigSlide extends CoreSlide {
	readonly label: string;
	/** The way it goes, in the sequence: "tilt, fore-aft". */
	readonly purpose: string;
	/** What the slide's positive and negative ends are called: forward and back, up and down, left and right. */
	readonly plusWord: string;
	readonly minusWord: string;
	/** Distance between the lines of its scale; absent or null: no lines. */
	readonly graduationM?: number | null;
	/** What holds it: "lever under the plate"; absent: a screw. */
	readonly lock?: string | null;
	/** How far off its printed zero may be, one standard deviation. */
	readonly zeroSigmaM?: number;
	/** An extension that can be fitted: what it is called and how much further the slide then reaches each way. */
	readonly extension?: { readonly label: string; readonly lessM: number; readonly moreM: number } | null;
}

/** Another hole, or the cradle turned about: what then sits elsewhere, at slide positions 0. */
export interface RigAlternative {
	readonly id: string;
	readonly kind: 'useHole' | 'turnCradle';
	readonly label: string;
	readonly shiftM: Vec3;
	/** Ids of rig parts and axes; `payload` stands for everything on the plate. */
	readonly moves: readonly string[];
}

/** A mode the gimbal offers, and how it is reached. */
interface RigMode {
	readonly name: string;
	readonly presses: string;
}

/** Lengths a gimbal's drawing was made from, so that they can be changed; metres by name. */
interface RigFrame {
	readonly pattern: string;
	readonly lengths: Readonly<Record<string, number>>;
}

interface RigPlace extends CounterweightPlace {
	readonly label: string;
}

/** Everything about a gimbal that is always read whole. */
export interface GimbalGeometry {
	readonly axes: readonly RigAxis[];
	readonly parts: readonly RigPart[];
	readonly slides: readonly RigSlide[];
	readonly mountM: Vec3;
	readonly counterweightPlaces: readonly RigPlace[];
	readonly strokes: readonly RigStroke[];
	readonly alternatives?: readonly RigAlternative[];
	/** Clear width, height and depth between the arms of the cradle; absent: not measured. */
	readonly openingM?: Vec3 | null;
	readonly modes?: readonly RigMode[];
	readonly frame?: RigFrame | null;
}

export type GimbalDraft = GearDraft<GimbalGeometry>;

export interface Gimbal extends GimbalDraft {
	readonly id: string;
	readonly version?: number;
}

/** Positions of slides in metres from the gimbal as drawn, by slide id. */
export type Positions = Readonly<Record<string, number>>;

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

/** A weight fixed at a place the gimbal names. */
interface FixedWeight {
	readonly placeId: string;
	readonly massKg: number;
}

/** Vertical tilt straight after fore-aft tilt, or last and only for heavy or light gimbals. */
export type BalanceOrder = 'verticalNext' | 'verticalLast';

/** How a gimbal stands today with one payload on it. */
export interface BenchState {
	readonly positionsM: Positions;
	readonly nudges: readonly Nudge[];
	/** What was seen of the loose axes, oldest first; they correct the model. */
	readonly looks?: readonly Look[];
	readonly order?: BalanceOrder;
	/** Other holes, the cradle turned: ids of the gimbal's alternatives that are in use. */
	readonly alternativeIds?: readonly string[];
	readonly weights?: readonly FixedWeight[];
	/** Carried on with although the gimbal cannot be poised. */
	readonly waived?: boolean;
	/** The person takes the drawing's word against what was seen. */
	readonly believeDrawing?: boolean;
}

/** A gimbal balance as the logbook keeps it beyond its line. */
export interface GimbalRecordDetail extends RecordDetail<Gimbal> {
	readonly positionsM: Positions;
	readonly axes: readonly AxisState[];
	readonly nudges: readonly Nudge[];
	readonly weights?: readonly FixedWeight[];
	readonly alternativeIds?: readonly string[];
	/** Slides whose axis was let go and seen to hold at that reading; the other readings are computed, and teach nothing. */
	readonly found?: readonly string[];
}

export type GimbalRecord = RecordOf<GimbalRecordDetail>;
