/*
 * What everybody sees of a head: as the desk tells it to every page.
 */
import type { NextSeen, TaskSeen } from '@poise/core';

type Rates = Readonly<Record<string, number>>;
/** A head as every page sees it. */
export interface HeadSeen {
	/** As printed on its box. */
	readonly id: string;
	/** Of the crew's own list; null: nobody's yet. */
	readonly headId: string | null;
	readonly name: string;
	readonly number: number | null;
	readonly kind: string;
	/** `away`: not heard of late. `other`: it is another desk's. */
	readonly link: 'here' | 'away' | 'free' | 'other' | 'claiming';
	readonly headMs: number;
	readonly phase: 'rest' | 'offered' | 'armed' | 'stopping';
	readonly epoch: number | null;
	readonly holder: string | null;
	readonly heldS: number;
	readonly driver: { readonly page: string; readonly name: string } | null;
	/** Who asks for it, and how long its driver may still be silent before they may take it. */
	readonly askedBy: { readonly page: string; readonly name: string; readonly mayTakeInS: number } | null;
	/** The page that asked last and was told that it is kept. */
	readonly keptFrom: string | null;
	/** Who took it from its driver of before, and how. */
	readonly taken: { readonly by: string; readonly from: string; readonly as: 'lead' | 'silence' } | null;
	readonly stoppedBy: string | null;
	readonly stuckAxis: string | null;
	readonly recording: boolean;
	readonly batteryPart: number;
	readonly ignored: number;
	/** Whose link the two figures are of: how often it was heard of late, and its least time there and back. */
	readonly linkPage: string;
	readonly linkSamples: number;
	readonly linkTripMs: number;
	readonly at: Rates;
	readonly rates: Rates;
	readonly ready: readonly string[];
	readonly axes: Readonly<
		Record<
			string,
			{
				readonly range: readonly [number, number];
				readonly maxRate: number;
				readonly maxAccel: number;
				readonly ring: boolean;
			}
		>
	>;
	readonly watched: boolean;
	/** The desk's own link, by which it watches. */
	readonly watchSamples: number;
	readonly watchTripMs: number;
	/** A watch has been asked for and not been answered yet; and why the last one did not come, or ended. */
	readonly watchAsked: boolean;
	readonly watchTrouble: string | null;
	/** How much of the search for a ring's ends is done, 0 to 1, while it is held. */
	readonly found: Rates;
	/** Of a way's own speed, 0 to 1, as its driver wants it; and whether what the stick adds to a way stays. */
	readonly wantedPace: number;
	readonly keepsAdded: boolean;
	/** What stands by for the next hold. */
	readonly next: NextSeen | null;
	/** The pose it was sent to before where it was sent last. */
	readonly last: { readonly name: string; readonly to: Rates } | null;
	readonly task: TaskSeen | null;
	readonly trouble: string | null;
}
