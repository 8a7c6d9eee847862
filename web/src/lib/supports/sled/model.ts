import type { ArmSection, Drift, SledPlane, Vec3 } from '@poise/core';
import type { RecordDetail, RecordOf } from '$lib/model/balance';
import type { GearDraft } from '$lib/model/gear';

/** What hangs on the post beside the camera. */
export const sledItemKinds = ['monitor', 'battery', 'electronics', 'accessory', 'cable'] as const;
export type SledItemKind = (typeof sledItemKinds)[number];

export type Travel = readonly [least: number, greatest: number];

/** One thing on the post, with every slide at 0. Metres in the sled's frame: x forward, y to the camera's left, z up from the foot. */
export interface SledItem {
	readonly id: string;
	readonly label: string;
	readonly kind: SledItemKind;
	/** Of one of them, where it is a pair. */
	readonly massKg: number;
	readonly sizeM: Vec3;
	/** Its middle, and its centre of gravity as far as is known. */
	readonly atM: Vec3;
	/** How far it slides from there; null: fixed. */
	readonly foreM: Travel | null;
	readonly sideM: Travel | null;
	readonly upM: Travel | null;
	/** Two of them, mirrored left and right; they move together. */
	readonly pair?: boolean;
	/** Carried on arms that swing about the post: foreM is then how far forward of straight back they stand. */
	readonly swingM?: number | null;
	/** It can be tilted, as a monitor is. */
	readonly tilts?: boolean;
	/** How sure its centre is, one standard deviation; absent: a twentieth of its size. */
	readonly sigmaM?: Vec3 | null;
}

export interface PostSection {
	readonly id: string;
	readonly label: string;
	readonly massKg: number;
	readonly lengthM: number;
	readonly radiusM: number;
}

/** The stage on top: what is fixed to the post, and the plate that carries the camera. */
interface SledStage {
	readonly massKg: number;
	readonly plateKg: number;
	/** The whole of it; the plate is its upper third. */
	readonly sizeM: Vec3;
	/** Slid by hand in its clamp, from mid-travel. */
	readonly coarseForeM: Travel;
	/** Turned by knobs, from mid-travel, and how far a turn goes. */
	readonly fineForeM: Travel;
	readonly fineSideM: Travel;
	readonly foreMPerTurn: number;
	readonly sideMPerTurn: number;
}

export interface SledPlace {
	readonly id: string;
	readonly label: string;
	readonly atM: Vec3;
	readonly mostKg: number;
}

/** The spring arm and its socket block. */
export interface SledArm {
	readonly rangeKg: Travel;
	/** Gimbal and fittings, which the arm lifts beside the sled. */
	readonly gimbalKg: number;
	/** What its lift adjustment counts: turns, marks. */
	readonly unit: string;
	readonly sections: readonly (ArmSection & { readonly label: string })[];
	/** Threads that can show at each screw of the socket block. */
	readonly threads: Travel;
}

export interface SledGeometry {
	readonly pattern: string;
	/** Foot first. */
	readonly sections: readonly PostSection[];
	/** How much further the sections pull out than their lengths. */
	readonly pullOutM: number;
	readonly stage: SledStage;
	/** The gimbal's clamp travels between these heights above the foot. */
	readonly gimbalM: Travel;
	/** Where the stand's pin takes it. */
	readonly dockM: number;
	readonly items: readonly SledItem[];
	readonly places: readonly SledPlace[];
	readonly arm: SledArm;
}

export type SledDraft = GearDraft<SledGeometry>;

export interface SledRig extends SledDraft {
	readonly id: string;
	readonly version: number;
}

/** Where one item stands on its slides, and how it is tilted. */
export interface ItemSetting {
	readonly foreM: number;
	readonly sideM: number;
	readonly upM: number;
	/** Screen tipped back positive. */
	readonly tiltRad: number;
}

/** Where everything stands today. */
export interface SledSetting {
	readonly gimbalM: number;
	readonly pulledOutM: number;
	readonly coarseForeM: number;
	readonly fineForeM: number;
	readonly fineSideM: number;
	readonly items: Readonly<Record<string, ItemSetting>>;
	readonly weights: readonly { readonly placeId: string; readonly massKg: number }[];
}

/** One thing seen, with the sled as it stood and the version of the payload that was on it. */
export type SledSeen = {
	readonly setting: SledSetting;
	readonly payloadVersion: number;
	/** Struck out: it stays on the roll and counts for nothing. */
	readonly struck?: boolean;
} & (
	| { readonly kind: 'rest'; readonly plane: SledPlane; readonly leanRad: number; readonly sigmaRad: number }
	| { readonly kind: 'way'; readonly plane: SledPlane; readonly way: -1 | 0 | 1 }
	| {
			readonly kind: 'drop';
			readonly plane: SledPlane;
			readonly dropTimeS: number;
			readonly sigmaS: number;
			readonly runsS: readonly number[];
	  }
	| {
			readonly kind: 'spin';
			readonly plane: SledPlane;
			readonly leanRad: number;
			readonly sigmaRad: number;
			readonly spinRadPerS: number;
	  }
);

/** What the day is to hold: each has its own wish for drop time and its own tolerance. */
export const sledShots = ['tilts', 'longWalks', 'stairs', 'pans', 'whipPans'] as const;
export type SledShot = (typeof sledShots)[number];

/** How a sled stands today with one payload on it. */
export interface SledBenchState {
	readonly setting: SledSetting;
	/** Slips carried out, in words, oldest first. */
	readonly slips: readonly (readonly string[])[];
	readonly seen: readonly SledSeen[];
	readonly dropTimeS: number;
	readonly shots: readonly SledShot[];
	/** What may move to cure a spin: ids of items; `weight` stands for adding mass. */
	readonly movers: readonly string[];
	/** The cure chosen, where it is not the first. */
	readonly cureId?: string | null;
	/** Steps of the rigging sequence that are done. */
	readonly rigged?: readonly string[];
	/** Drops timed with the gimbal at this height and not used yet. */
	readonly timing?: SledTiming | null;
	/** The person takes the drawing's word against what was seen. */
	readonly believeDrawing?: boolean;
}

export interface SledTiming {
	readonly plane: SledPlane;
	readonly gimbalM: number;
	readonly runsS: readonly number[];
}

/** A sled balance as the logbook keeps it beyond its line. */
export interface SledRecordDetail extends RecordDetail<SledRig> {
	readonly setting: SledSetting;
	readonly dropTimeS: number;
	readonly figures: {
		readonly massKg: number;
		readonly staticForeM: number;
		readonly staticSideM: number;
		readonly dropForeS: number | null;
		readonly foreLeanRad: number;
		readonly sideLeanRad: number;
		readonly panInertiaKgM2: number;
	};
	readonly slips: readonly (readonly string[])[];
}

/** How one person wears this sled. */
export interface WornSetup {
	readonly armSide: 'right' | 'left';
	readonly reversed: boolean;
	/** Items of the vest's fit that were checked today. */
	readonly fitted: readonly string[];
	readonly stance: {
		readonly carryHeightM: number;
		readonly standOffM: number;
		readonly hipHeightM: number;
		readonly strideM: number;
	};
}

export type SledEntry =
	| {
			readonly kind: 'socket';
			readonly inOut: number;
			readonly side: number;
			readonly drift: Drift;
			readonly note: string;
	  }
	| { readonly kind: 'vest'; readonly minutes: number; readonly loadKg: number; readonly note: string };

export type LoggedSledEntry = SledEntry & {
	readonly id: string;
	readonly personName: string;
	readonly at: string;
};

export type SledRecord = RecordOf<SledRecordDetail>;
