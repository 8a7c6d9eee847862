import type { TurningAxis } from '$lib/model/turning';

/** What is set on every axis, in the gimbal's own figures. */
export const settingNames = ['follow', 'deadband', 'smooth', 'stiffness'] as const;
export type SettingName = (typeof settingNames)[number];
export type OwnSettings = Readonly<Record<SettingName, number>>;
export type AllSettings = Readonly<Record<TurningAxis, OwnSettings>>;

/** One scale of the gimbal: what its menu calls it, how far it goes, and what its two ends are in real units. */
export interface OwnScaleSheet {
	/** As the gimbal's own menu has it. */
	readonly name: string;
	readonly least: number;
	readonly most: number;
	readonly law: 'linear' | 'log';
	/** Follow in 1/s, dead band in rad, smoothing in s, stiffness as a share of what the motor can. */
	readonly atLeast: number;
	readonly atMost: number;
	/** When it was measured and by whom; null: an assumption. */
	readonly measured: Stamp | null;
}
interface Stamp {
	readonly at: string;
	readonly by: string;
}

export const modeKinds = [
	'holds',
	'panFollows',
	'panTiltFollow',
	'allFollow',
	'rollSpinsUpright',
	'rollSpinsForward',
	'facesOperator',
	'portrait',
	'sport',
	'motionLapse'
] as const;
export type ModeKind = (typeof modeKinds)[number];

export const axisDoings = ['follows', 'holds', 'spins', 'turns'] as const;
/** What one axis does in a mode: goes with the handle, keeps where it points, spins on, or is turned by the stick alone. */
export type AxisDoes = (typeof axisDoings)[number];

export interface Mode {
	readonly id: string;
	readonly kind: ModeKind;
	readonly name: string;
	readonly does: Readonly<Record<TurningAxis, AxisDoes>>;
	readonly goodFor: string;
	/** Which control reaches it: "the mode button", "the trigger". */
	readonly control: string;
	/** How often it is pressed; 0: it is touched or switched once. */
	readonly presses: number;
	/** It lasts as long as the last press is held. */
	readonly held: boolean;
	/** From which mode; null: from any. */
	readonly fromId: string | null;
	readonly stick: string;
	readonly wheel: string;
}

/** A quick turn timed with a thumb, at the gimbal's own settings. */
export interface TimedRun {
	readonly id: string;
	readonly at: string;
	readonly by: string;
	readonly follow: number;
	readonly deadband: number;
	readonly smooth: number;
	readonly angleRad: number;
	readonly halfS: number;
	readonly endS: number;
	readonly restShortRad: number;
	readonly struck: boolean;
}

/** What was seen of the motors' stiffness. */
export interface StiffnessLook {
	readonly id: string;
	readonly at: string;
	readonly by: string;
	readonly kind: 'buzzes' | 'sags';
	readonly axis: TurningAxis;
	readonly stiffness: number;
	/** How far it leaned, where it sags. */
	readonly leanRad: number;
	readonly payloadId: string;
	readonly payloadName: string;
	/** What the motor's loop was then. */
	readonly naturalRadPerS: number;
	readonly stiffnessNmPerRad: number;
	/** What the balance came to then: another one has another sag. */
	readonly residualNm: number;
	readonly struck: boolean;
}

export interface StickSetting {
	readonly deadZone: number;
	readonly expo: number;
	readonly maxRateRadPerS: number;
	readonly widthsPerS: number;
	readonly focalsM: readonly number[];
	/** The grip of a second operator: how far the head turns for a turn of the hand, and on which axes. */
	readonly gripRatio: number;
	readonly gripAxes: Readonly<Record<TurningAxis, boolean>>;
	readonly gripRecentre: string;
}

/** How one gimbal is worked: its modes, its scales, what was measured of them, its stick. */
export interface ModeSheet {
	readonly pattern: string;
	readonly modes: readonly Mode[];
	/** The mode it wakes up in. */
	readonly startsId: string | null;
	readonly resets: string;
	/** How a held angle is set by hand. */
	readonly byHand: string;
	readonly calibration: string;
	readonly scales: Readonly<Record<SettingName, OwnScaleSheet>>;
	readonly delayS: number;
	readonly damping: number;
	/** What its motors draw when they give all they can. */
	readonly fullDrawW: number;
	readonly runs: readonly TimedRun[];
	readonly looks: readonly StiffnessLook[];
	readonly stick: StickSetting;
}

export const gestureKeys = [
	'quarterTurn',
	'stop',
	'whipPan',
	'slowPan',
	'walk',
	'stairs',
	'procession',
	'standing',
	'tiltDown'
] as const;
export type GestureKey = (typeof gestureKeys)[number];
export const postures = ['upright', 'underslung', 'onItsSide', 'low'] as const;
export type Posture = (typeof postures)[number];

/** What a shot asks of the gimbal; null: it does not mind. */
export interface Wishes {
	readonly lagRad: number | null;
	readonly settleS: number | null;
	readonly overshootRad: number | null;
	/** RMS, as a share of the frame's width. */
	readonly shakeShare: number | null;
}

export interface Shot {
	readonly id: string;
	readonly name: string;
	readonly gesture: GestureKey;
	readonly walk: GestureKey;
	readonly panRadPerS: number;
	readonly wanted: Wishes;
}

/** How one payload on one gimbal is set, and what is being tried. */
export interface FeelState {
	readonly shotId: string;
	readonly gesture: GestureKey;
	readonly axis: TurningAxis;
	readonly modeId: string | null;
	readonly posture: Posture;
	readonly people: 1 | 2 | 3;
	readonly focalM: number;
	readonly sensorWidthM: number;
	/** As it is set on the gimbal. */
	readonly now: AllSettings;
	/** What is tried beside it; null: nothing. */
	readonly tried: AllSettings | null;
	/** From quick (−1) to calm (1). */
	readonly calm: number;
	readonly slips: readonly (readonly string[])[];
}

/** The crew's own shots, and the shots of the day with what is pinned to them. */
export interface ShotList {
	readonly own: readonly Shot[];
	readonly day: readonly {
		readonly id: string;
		readonly words: string;
		readonly shotId: string;
		readonly recipeId: string | null;
	}[];
}

export interface FeelFigures {
	readonly lagRad: number;
	readonly settleS: number | null;
	readonly overshootRad: number;
	readonly restShortRad: number;
	readonly shakeShare: number;
	readonly pictureWidthsPerS: number;
}

/** What a recipe keeps of itself, whatever becomes of gimbal and payload. */
export interface RecipeDetail {
	readonly shotName: string;
	readonly shotId: string;
	readonly wanted: Wishes;
	readonly modeName: string;
	readonly modeReach: string;
	readonly axis: TurningAxis;
	readonly axes: readonly TurningAxis[];
	readonly settings: AllSettings;
	readonly names: Readonly<Record<SettingName, string>>;
	readonly posture: Posture;
	readonly people: 1 | 2 | 3;
	readonly focalM: number;
	readonly sensorWidthM: number;
	readonly massKg: number;
	readonly inertiaKgM2: number;
	readonly figures: FeelFigures;
	readonly assumed: boolean;
}

export interface NewRecipe {
	readonly id: string;
	readonly supportId: string;
	readonly payloadId: string;
	readonly note: string;
	readonly detail: RecipeDetail;
}
export interface Recipe extends Omit<NewRecipe, 'supportId' | 'payloadId'> {
	/** Null: deleted since. */
	readonly supportId: string | null;
	readonly payloadId: string | null;
	readonly supportName: string;
	readonly payloadName: string;
	readonly personName: string;
	readonly at: string;
	readonly struck: boolean;
}
