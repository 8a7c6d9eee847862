import type { StationKey, StationState } from './stations';

/**
 * What an open page knows better than the server: the state of its own station while it is being changed. Written only
 * in the browser, by effects; on the server it stays empty.
 */
export const liveStations = $state<Partial<Record<StationKey, StationState>>>({});

/** Shows a station's live state until the returned function is called; use as the body of an effect. */
export function showStation(key: StationKey, state: StationState): () => void {
	liveStations[key] = state;
	return () => delete liveStations[key];
}
