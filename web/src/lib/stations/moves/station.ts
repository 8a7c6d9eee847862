import type { StationState } from '$lib/shell/stations';
import { type ClearAnswer, tooNear } from '$lib/places/clearance';
import { type Figures, readMove } from './figures';
import type { Move } from './model';
import type { NoRun } from './path';

/** Where a bubble stands that nobody takes for calm, from a metre away. */
const wellOff = 9;

/** How a move stands: possible for its axes, and, where it was tried, with room beside everything. */
export function stationOfMove(figures: Figures | null, problem: NoRun | null, clear: ClearAnswer | null): StationState {
	if (figures === null) return { offset: null, words: problem?.words ?? 'No move yet.' };
	const over = figures.scale - 1;
	if (figures.beyond.length > 0) return { offset: wellOff, words: 'An axis goes past its end' };
	if (over > 1e-6) return { offset: Math.min(wellOff, 1 + over * 4), words: 'Too fast for what carries it' };
	if (clear === null) return { offset: Math.min(1, figures.scale), words: 'Possible; not tried against the room' };
	if (clear.findings.some(tooNear)) return { offset: wellOff, words: 'Comes too near to something' };
	return { offset: Math.min(0.9, figures.scale - 0.1), words: 'Possible, and keeps its room as drawn' };
}

/** Of a move as it is saved: nothing has tried it against the room here. */
export function savedStation(move: Move): StationState {
	const { figures, problem } = readMove(move);
	return stationOfMove(figures, problem, null);
}
