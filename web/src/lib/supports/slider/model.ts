import type { RecordDetail, RecordOf } from '$lib/model/balance';
import type { GearDraft } from '$lib/model/gear';

/** A rail with a carriage. Along the rail: u from its start, uphill when it is inclined; square to it: v, away from the floor. */
export interface SliderGeometry {
	readonly pattern: string;
	readonly rail: { readonly lengthM: number; readonly massKg: number };
	readonly carriage: {
		readonly massKg: number;
		/** The camera plate above the rail's middle line. */
		readonly plateM: number;
		/** Where its middle can go, from the rail's start. */
		readonly travelM: readonly [least: number, greatest: number];
		/** What its drive or brake holds along the rail, as its maker says; null: nobody has said. */
		readonly holdsN: number | null;
		/** What its motor drives it with, m/s and m/s²; null or absent: it is pushed by hand. */
		readonly drive?: { readonly maxRate: number; readonly maxAccel: number } | null;
	};
	/** What one support bears square to the rail, as its maker says; null: nobody has said. */
	readonly supportBearsN: number | null;
	/** What one clamp holds against turning, alone under the rail; null: nobody has said. */
	readonly clampHoldsNm: number | null;
	/** The supports clamp the rail, so that it cannot lift off them. */
	readonly clampsDown: boolean;
	/** How far it gives under load, measured; none or null: a careful guess. */
	readonly givesM?: number | null;
}

export type SliderDraft = GearDraft<SliderGeometry>;
export interface Slider extends SliderDraft {
	readonly id: string;
	readonly version: number;
}

/** How the rail stands, and where the carriage is on it. */
export interface SliderSetting {
	/** From the rail's start: one clamp, or two supports, the nearer first. */
	readonly supportsM: readonly [number] | readonly [number, number];
	/** Rise from the start to the far end. */
	readonly inclineRad: number;
	/** The carriage's middle, for the drawing and for whoever asks "what now". */
	readonly atM: number;
	/** The camera stands on the carriage or hangs under it. */
	readonly hung: boolean;
	/** The camera looks along the rail, to its far end, or across it, the start on its left. */
	readonly looks: 'along' | 'across';
	/** A reach extension carries the plate so far past the carriage, along the rail. */
	readonly reachM: number;
}

/** What was seen when the carriage was walked from end to end by hand, with everything as it stood then. */
export interface SliderLook {
	readonly what: 'stays' | 'startLifts' | 'endLifts' | 'slides';
	readonly setting: SliderSetting;
	readonly payloadVersion: number;
	/** Struck out: it stays on the roll and counts for nothing. */
	readonly struck?: boolean;
}

/** How a slider stands today with one payload on it. */
export interface SliderBenchState {
	readonly setting: SliderSetting;
	/** Slips carried out, in words, oldest first. */
	readonly slips: readonly (readonly string[])[];
	readonly looks: readonly SliderLook[];
}

/** A slider as the logbook keeps it beyond its line. */
export interface SliderRecordDetail extends RecordDetail<Slider> {
	readonly setting: SliderSetting;
	readonly figures: {
		readonly carriedKg: number;
		/** The least and the most that any support bears over the travel. */
		readonly leastN: number;
		readonly mostN: number;
		/** The most that one clamp holds against turning; null: two supports. */
		readonly momentNm: number | null;
		readonly holdN: number;
	};
	readonly slips: readonly (readonly string[])[];
}

export type SliderRecord = RecordOf<SliderRecordDetail>;
