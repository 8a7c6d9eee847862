import type { StationState } from '$lib/shell/stations';
import { notLogged, sameSettingM, sinceLogged, standWords } from '../states';
import type { BenchFigures } from './figures';
import type { Positions } from './model';

/** The axis furthest from its tolerance speaks for the gimbal. */
export function balanceStation({
	steps,
	placed,
	poised,
	fit
}: Pick<BenchFigures, 'steps' | 'placed' | 'poised' | 'fit'>): StationState {
	if (fit === 'tooHeavy') return { offset: -400, words: 'too heavy for the gimbal' };
	const worst = steps.reduce((most, { offsetM, bandM }) => {
		const offset = -offsetM / bandM;
		return Math.abs(offset) > Math.abs(most) ? offset : most;
	}, 0);
	if (placed)
		return { offset: Math.max(-1, Math.min(1, worst)), words: poised ? standWords.seen : standWords.computed };
	return { offset: Math.abs(worst) <= 1 ? Math.sign(worst || 1) * 1.5 : worst, words: standWords.not };
}

/** Logged means: the newest entry of this payload on this gimbal has the slides where they stand now. */
export function logStation(
	{ placed, poised }: Pick<BenchFigures, 'placed' | 'poised'>,
	positionsM: Positions,
	logged: { readonly positionsM: Positions } | null
): StationState {
	if (logged === null) return notLogged(placed, poised);
	const same = Object.entries(positionsM).every(([id, value]) => {
		const then = logged.positionsM[id];
		return then !== undefined && Math.abs(then - value) <= sameSettingM;
	});
	return sinceLogged(same);
}
