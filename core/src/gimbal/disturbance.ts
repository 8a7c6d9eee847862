import { checksFor } from '../input';
import { scale, type Vec3 } from '../mass/body';
import { axisLoads, type GimbalChain } from './chain';

/** The move that disturbances are quoted for. */
const oneMillimetreM = 0.001;

/**
 * What one millimetre of a slide, towards its positive end, does to the offset of every axis (metres, square to each
 * axis, rig frame, outermost first): what a nudge here upsets elsewhere.
 *
 * Linear, so it holds for any length of move. Throws `PhysicsInputError` for an unknown slide or a chain that makes no
 * sense. An axis that carries nothing is not disturbed.
 *
 * @example
 * disturbance({
 *   chain: {
 *     axes: [{ id: 'tilt', direction: [0, 1, 0], pivotM: [0, 0, 0] }],
 *     parts: [
 *       { id: 'camera', body: { massKg: 3, cgM: [0.01, 0, 0] }, hangsOn: 'tilt' },
 *       { id: 'cradle', body: { massKg: 1, cgM: [0, 0, 0] }, hangsOn: 'tilt' }
 *     ],
 *     slides: [{ id: 'plate', direction: [1, 0, 0], rangeM: [-0.05, 0.05], moves: ['camera'] }]
 *   },
 *   slideId: 'plate'
 * }).axes[0].offsetM[0]; // 0.00075
 */
export function disturbance(input: { readonly chain: GimbalChain; readonly slideId: string }): {
	readonly axes: readonly { readonly id: string; readonly offsetM: Vec3 }[];
} {
	const loads = axisLoads('disturbance', input.chain);
	const index = input.chain.slides.findIndex((slide) => slide.id === input.slideId);
	if (index < 0) checksFor('disturbance').fail('slideId', 'must be the id of a slide of the chain', input.slideId);
	return {
		axes: loads.map(({ axis, carriedKg, perSlideKgM }) => ({
			id: axis.id,
			offsetM: carriedKg > 0 ? scale(perSlideKgM[index] as Vec3, oneMillimetreM / carriedKg) : ([0, 0, 0] as const)
		}))
	};
}
