/** The job's stations in working order, and the key of each. */
export const stations = [
	{ key: 'payload', name: 'Payload' },
	{ key: 'balance', name: 'Balance' },
	{ key: 'feel', name: 'Feel' },
	{ key: 'moves', name: 'Moves' },
	{ key: 'live', name: 'Live' },
	{ key: 'logbook', name: 'Logbook' }
] as const;

export type StationKey = (typeof stations)[number]['key'];

/** How a station stands: its bubble in tolerances (null: nothing there yet) and the same in words. */
export interface StationState {
	readonly offset: number | null;
	readonly words: string;
}

export type StationStates = Readonly<Partial<Record<StationKey, StationState>>>;
