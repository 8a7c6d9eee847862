import type { SledEstimate } from '@poise/core';
import type { SledBenchState, SledRig } from './model';
import { type MountedBody, sledFigures } from './figures';
import { lineInWords, sledSlip } from './slip';

/** Each slip leaves what a hand cannot set finer, and the next takes that up; more than these gain nothing. */
const mostSlips = 6;

/** Slip after slip, each carried out exactly, until nothing is left to do. */
export function poisedFrom(
	sled: SledRig,
	bodies: readonly MountedBody[],
	from: SledBenchState,
	estimate: SledEstimate | null = null
): SledBenchState {
	let state = from;
	for (let count = 0; count < mostSlips; count += 1) {
		const slip = sledSlip(sled, state.setting, sledFigures(sled, bodies, state, estimate), count, 'metric');
		if (slip.kind !== 'move') return state;
		state = { ...state, setting: slip.target, slips: [...state.slips, slip.lines.map(lineInWords)] };
	}
	return state;
}
