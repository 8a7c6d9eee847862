import type { SupportKind } from '../kind';

/** Counterweighted cranes and jibs. */
export const crane: SupportKind = {
	key: 'crane',
	one: 'crane',
	many: 'cranes',
	carriesMoves: true,
	sheets: [
		{ path: '', words: 'Weights', view: 'WeightsView' },
		{ path: 'order', words: 'Loading', view: 'OrderView' },
		{ path: 'stand', words: 'Stability', view: 'StandView' },
		{ path: 'drift', words: 'Drift', view: 'DriftView' },
		{ path: 'lengths', words: 'Lengths', view: 'LengthsView' },
		{ path: 'reach', words: 'Reach', view: 'ReachView' },
		{ path: 'venue', words: 'Venue', view: 'VenueView' },
		{ path: 'level', words: 'Levelling', view: 'LevelView' },
		{ path: 'pass', words: 'Head rate', view: 'PassView' },
		{ path: 'swap', words: 'Swap', view: 'CraneSwapView' }
	],
	ownSheets: [{ path: '', words: 'Crane', view: 'CraneEditor' }]
};
