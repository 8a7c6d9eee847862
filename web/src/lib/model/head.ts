import { limit, type Limit } from './limits';
import type { Named } from './gear';

export type Reach = readonly [from: number, to: number];

/** What one axis can do: radians or metres, a second, a second squared. */
export interface AxisFigures {
	readonly range: Reach;
	readonly maxRate: number;
	readonly maxAccel: number;
}

/** A motor on a ring of the lens. */
interface LensMotor {
	/** From one end of the ring to the other. */
	readonly turns: number;
	readonly maxTurnsPerS: number;
}

export const holdPolicies = ['held', 'watched'] as const;

/** A head that turns a camera by motors, or by hand with an end stop. */
export interface HeadFigures {
	readonly pattern: string;
	readonly massKg: number;
	readonly pan: AxisFigures;
	readonly tilt: AxisFigures;
	readonly roll: AxisFigures | null;
	readonly focus: LensMotor | null;
	readonly zoom: LensMotor | null;
	/** It moves only while somebody holds, or may run while it is watched. */
	readonly hold: (typeof holdPolicies)[number];
}

export interface HeadDraft extends Named {
	readonly head: HeadFigures;
}
export interface Head extends HeadDraft {
	readonly id: string;
	readonly version: number;
}

/** How far a head's figures go, each with its reason. */
export const headLimits = {
	mass: limit(0.01, 60, 'No head that is carried to a set is heavier.'),
	turn: limit(-31.5, 31.5, 'Cables end after five turns, slip rings are counted in turns too.'),
	rate: limit(0.001, 20, 'A head that turns three times a second shows nothing.'),
	accel: limit(0.001, 400, 'No camera is thrown harder.'),
	ringTurns: limit(0.001, 20, 'No lens ring turns further.'),
	ringRate: limit(0.001, 20, 'No lens motor turns faster.')
} as const satisfies Readonly<Record<string, Limit>>;
