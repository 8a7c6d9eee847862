import type { AxisState } from '@poise/core';
import type { Part } from './part';
import type { Payload } from './payload';
import type { Positions, Rig } from './rig';

/** A move that was made, in the order of making: the till roll of the slip. */
export interface Nudge {
	readonly slideId: string;
	readonly fromM: number;
	readonly toM: number;
}

/** How a rig stands today with one payload on it. */
export interface BenchState {
	readonly positionsM: Positions;
	readonly nudges: readonly Nudge[];
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
	readonly payloadName: string;
	readonly rigName: string;
	readonly payloadMassKg: number;
	readonly poised: boolean;
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
}
