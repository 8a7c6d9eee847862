import { checksFor } from '../input';
import { leastBetween } from '../numeric/goldenSection';
import { checkLinkage, levelLinkage, type LinkageGeometry } from './levelLinkage';

/** What may be adjusted, metres each way from how it is drawn. */
export interface LinkageFreedom {
	readonly rodM?: number;
	/** The rear pivot, up and down. */
	readonly pivotUpM?: number;
	/** The rear pivot, fore and aft. */
	readonly pivotForeM?: number;
}

export interface TunedLinkage {
	readonly rodM: number;
	readonly rearPivotM: readonly [number, number];
	/** Greatest departure from the wish over the boom range, before and after. */
	readonly worstBeforeRad: number;
	readonly worstErrorRad: number;
}

const samples = 41;
const rounds = 60;

/**
 * Rod length, and rear pivot where it may move, for the least worst tilt error over a boom range; or for a wanted tilt at one
 * boom with the rest as level as it then can be.
 *
 * As {@link levelLinkage}; `free` says what may be adjusted and how far. `wanted` asks for a tilt (nose-up positive, 0 at boom 0)
 * at its boom, which is then met before the rest. Throws `PhysicsInputError` for a linkage or range without sense, or nothing free.
 *
 * The worst error over 41 booms by rounds of golden-section search along each freedom in turn, from where it stands and
 * from both ends, keeping the best: the error is smooth in each and, near a parallelogram, has one valley.
 *
 * @example
 * tuneLinkage({ armM: 2.6, linkM: 0.18, rearPivotM: [0, 0.18], rodM: 2.58, boomRangeRad: [-0.8, 0.8], free: { rodM: 0.05 } }).worstErrorRad < 1e-7 ? 1 : 0; // 1
 */
export function tuneLinkage(
	input: LinkageGeometry & {
		readonly boomRangeRad: readonly [number, number];
		readonly free: LinkageFreedom;
		readonly wanted?: { readonly boomRad: number; readonly tiltRad: number };
	}
): TunedLinkage {
	const check = checksFor('tuneLinkage');
	checkLinkage('tuneLinkage', input);
	const [low, high] = check.range('boomRangeRad', input.boomRangeRad);
	const widths = [input.free.rodM ?? 0, input.free.pivotUpM ?? 0, input.free.pivotForeM ?? 0].map((width, index) =>
		check.atLeastZero(`free.${['rodM', 'pivotUpM', 'pivotForeM'][index]}`, width)
	) as [number, number, number];
	if (widths.every((width) => width === 0)) check.fail('free', 'must let something move', input.free);
	const booms = Array.from({ length: samples }, (_, index) => low + ((high - low) * index) / (samples - 1));
	const { wanted } = input;
	if (wanted !== undefined) {
		check.number('wanted.boomRad', wanted.boomRad);
		check.number('wanted.tiltRad', wanted.tiltRad);
	}
	const at = ([rod, up, fore]: readonly number[]): LinkageGeometry => ({
		armM: input.armM,
		linkM: input.linkM,
		rodM: input.rodM + rod!,
		rearPivotM: [input.rearPivotM[0] + fore!, input.rearPivotM[1] + up!]
	});
	const worstOf = (geometry: LinkageGeometry): number => {
		try {
			const asked = wanted === undefined ? booms : [...booms, wanted.boomRad];
			const errors = levelLinkage({ ...geometry, boomRad: asked }).tiltErrorRad;
			if (errors.some((error) => error === null)) return Infinity;
			if (wanted === undefined) return Math.max(...errors.map((error) => Math.abs(error!)));
			// The wish first; then no more than it needs elsewhere.
			return (
				1e3 * Math.abs(errors[samples]! - wanted.tiltRad) + 1e-3 * Math.max(...errors.map((error) => Math.abs(error!)))
			);
		} catch {
			// It does not close at all with the arm level.
			return Infinity;
		}
	};
	let best = [0, 0, 0];
	let least = worstOf(at(best));
	for (const start of [0, -1, 1]) {
		let place = widths.map((width) => start * width * 0.5);
		let worst = worstOf(at(place));
		for (let round = 0; round < rounds; round += 1) {
			const before = worst;
			widths.forEach((width, axis) => {
				if (width === 0) return;
				// A wide look first, so that a far valley is found; then nearer each round.
				const span = width * Math.max(1e-6, 0.7 ** round);
				const centre = place[axis]!;
				const [a, b] = [Math.max(-width, centre - span), Math.min(width, centre + span)] as const;
				const value = (shift: number) => worstOf(at(place.map((each, k) => (k === axis ? shift : each))));
				const found = leastBetween(value, [a, b], (b - a) * 1e-10);
				const reached = value(found);
				if (reached < worst) {
					place = place.map((each, k) => (k === axis ? found : each));
					worst = reached;
				}
			});
			if (round > 12 && before - worst < 1e-13) break;
		}
		if (worst < least) [best, least] = [place, worst];
	}
	const tuned = at(best);
	const plainWorst = (geometry: LinkageGeometry) =>
		Math.max(...levelLinkage({ ...geometry, boomRad: booms }).tiltErrorRad.map((error) => Math.abs(error ?? Infinity)));
	const errorOf = (geometry: LinkageGeometry) =>
		wanted === undefined
			? plainWorst(geometry)
			: Math.abs(
					(levelLinkage({ ...geometry, boomRad: [wanted.boomRad] }).tiltErrorRad[0] ?? Infinity) - wanted.tiltRad
				);
	return {
		rodM: tuned.rodM,
		rearPivotM: tuned.rearPivotM,
		worstBeforeRad: errorOf(at([0, 0, 0])),
		worstErrorRad: errorOf(tuned)
	};
}
