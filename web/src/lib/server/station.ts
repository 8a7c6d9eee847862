import type { Payload } from '$lib/model/payload';
import type { Person } from '$lib/model/person';
import type { StationState } from '$lib/shell/stations';
import type { Standing } from './supportKind';

/** What a station is asked for its vial on the day line. */
export interface Asking {
	readonly crewId: string;
	readonly person: Person;
	/** What this person has on the bench, on a support that was set up with it; null: nothing yet. */
	readonly standing: Standing<unknown, unknown> | null;
}

/** Loads what the demo scenario holds of one station, through the same doors as anything typed; stations in the day's order. */
export interface DemoCrew {
	readonly crewId: string;
	readonly personIds: ReadonlyMap<string, string>;
	readonly payloads: ReadonlyMap<string, Payload>;
}

/** How what lies in a document's history is read today. */
export type HistoryReader = (content: Readonly<Record<string, unknown>>) => unknown;

/**
 * The server's part of a station: `lib/stations/<key>/station.server.ts` exports one as `server`, and is found by its folder. Whoever
 * serves every station asks it here and names none. A station without any of these needs no such file.
 */
export interface ServerStation {
	/** How it stands; null: nothing to show yet. */
	readonly state?: (asking: Asking) => Promise<StationState | null>;
	/** Its documents by the first word of their names (`documentName`), each with how its history is read; `rest`: the words after. */
	readonly histories?: Readonly<Record<string, (rest: readonly string[]) => HistoryReader>>;
	readonly demo?: (crew: DemoCrew) => Promise<void>;
}
