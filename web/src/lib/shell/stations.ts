/** The job's stations in working order, and the key of each. Those without a page are not built yet. */
export const stations = [
	{ key: 'payload', name: 'Payload', open: true },
	{ key: 'balance', name: 'Balance', open: true },
	{ key: 'feel', name: 'Feel', open: true },
	{ key: 'moves', name: 'Moves', open: true },
	{ key: 'live', name: 'Live', open: false },
	{ key: 'logbook', name: 'Logbook', open: true }
] as const;

export type StationKey = (typeof stations)[number]['key'];

/** How a station stands: its bubble in tolerances (null: nothing there yet) and the same in words. */
export interface StationState {
	readonly offset: number | null;
	readonly words: string;
}

export type StationStates = Readonly<Partial<Record<StationKey, StationState>>>;
