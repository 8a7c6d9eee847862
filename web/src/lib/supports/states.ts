import type { CombinedBody } from '@poise/core';
import type { StationState } from '$lib/shell/stations';

/** How far a balance has come, one word each, the same everywhere. */
export const standWords = {
	not: 'not in place yet',
	computed: 'in place, not let go yet',
	seen: 'poised',
	logged: 'logged'
} as const;

/** How far the payload's centre of gravity may lie from the plate's middle before the slides have to make up for it. */
export const plateToleranceM = 0.01;
/** Readings this close are the same setting. */
export const sameSettingM = 0.001;

/** The payload is poised when it is built and heavy over the middle of its plate. The bubble floats to the light side. */
export function payloadStation(partCount: number, totals: Pick<CombinedBody, 'cgM'> | null): StationState {
	if (partCount === 0 || totals === null) return { offset: null, words: 'nothing on the plate' };
	const offset = -totals.cgM[0] / plateToleranceM;
	const words =
		Math.abs(offset) <= 1 ? 'over the middle of its plate' : offset < 0 ? 'heavy forward' : 'heavy at the back';
	return { offset, words };
}

/** A bench that was never logged. */
export const notLogged = (placed: boolean, poised: boolean): StationState =>
	poised || placed
		? { offset: 4, words: `${poised ? standWords.seen : 'in place'}, not logged` }
		: { offset: null, words: 'nothing logged' };

/** What the logbook's tube says where something was logged: the same as stands there now, or not. */
export const sinceLogged = (same: boolean): StationState =>
	same ? { offset: 0, words: standWords.logged } : { offset: 4, words: 'changed since it was logged' };
