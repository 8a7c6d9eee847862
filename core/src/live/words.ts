/*
 * What is said to a head, and what a page says for one: what the machines of `live/` take and give.
 */
import type { Intent, StandBy } from './nextHold';
import type { AxisValues } from './transition';

/** What is said to a head (`link/src/messages.ts`). */
export type WordToHead =
	| { readonly type: 'ask'; readonly holder: string; readonly press: number; readonly by: 'hand' | 'watch' }
	| { readonly type: 'beat'; readonly holder: string; readonly issuedAtMs: number; readonly echoMs: number }
	| {
			readonly type: 'grant';
			readonly holder: string;
			readonly epoch: number;
			readonly sequence: number;
			readonly issuedAtMs: number;
			readonly echoMs: number;
	  }
	| { readonly type: 'release'; readonly holder: string; readonly epoch: number }
	| {
			readonly type: 'drive';
			readonly epoch: number;
			readonly sequence: number;
			readonly each: readonly { readonly axis: string; readonly rate: number }[];
	  }
	| {
			readonly type: 'follow';
			readonly epoch: number;
			readonly sequence: number;
			readonly dueMs: number;
			readonly pace: number;
			readonly each: readonly { readonly axis: string; readonly at: number; readonly rate: number }[];
	  }
	| { readonly type: 'home'; readonly epoch: number; readonly ring: string }
	| { readonly type: 'stop'; readonly by: string }
	| {
			readonly type: 'limits';
			readonly watched: number;
			readonly each: readonly {
				readonly axis: string;
				readonly from: number;
				readonly to: number;
				readonly maxRate: number;
				readonly maxAccel: number;
			}[];
	  };

/** What a driver's page says for its head, and what anybody's may. */
export type WordFromPage =
	| { readonly type: 'take' | 'askFor' | 'unask' | 'give' | 'keep' | 'lead' | 'drop' }
	| { readonly type: 'beat'; readonly issuedAtMs: number; readonly echoMs: number }
	/** A press, and what it is for: the desk runs that or nothing. */
	| { readonly type: 'ask'; readonly press: number; readonly intent: Intent }
	| {
			readonly type: 'grant';
			readonly epoch: number;
			readonly sequence: number;
			readonly issuedAtMs: number;
			readonly echoMs: number;
	  }
	| { readonly type: 'release'; readonly epoch: number }
	| { readonly type: 'stick'; readonly rates: AxisValues }
	| { readonly type: 'shape'; readonly rampS: number; readonly trim: number }
	/** Chosen: it waits for a hold. Null: nothing does any more. */
	| { readonly type: 'standBy'; readonly next: StandBy | null }
	/** What stands by is to run without a hand, watched by whoever says so. */
	| { readonly type: 'watch'; readonly id: string }
	| { readonly type: 'pace'; readonly pace: number; readonly direction: 1 | -1 }
	| { readonly type: 'keepAdded'; readonly keeps: boolean };
