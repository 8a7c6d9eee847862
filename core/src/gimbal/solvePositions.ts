import { standardGravityMPerS2 } from '../mass/body';
import { nearestBoundedLeastSquares } from '../numeric/boundedLeastSquares';
import type { AxisLoad, GimbalChain } from './chain';

/** Best positions inside the ranges, metres, in the order of the slides. */
export function solvePositions(loads: readonly AxisLoad[], chain: GimbalChain): number[] {
	if (chain.slides.length === 0) return [];
	const rows: number[][] = [];
	const rightSide: number[] = [];
	for (const load of loads) {
		for (const component of [0, 1, 2] as const) {
			rows.push(load.perSlideKgM.map((perMetre) => standardGravityMPerS2 * perMetre[component]));
			rightSide.push(-standardGravityMPerS2 * load.momentKgM[component]);
		}
	}
	return nearestBoundedLeastSquares(
		{
			rows,
			rightSide,
			lower: chain.slides.map(({ rangeM }) => rangeM[0]),
			upper: chain.slides.map(({ rangeM }) => rangeM[1])
		},
		chain.slides.map(({ rangeM }) => (rangeM[0] + rangeM[1]) / 2)
	);
}
