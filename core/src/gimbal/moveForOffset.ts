import { checksFor } from '../input';
import { dot, scale, type Vec3 } from '../mass/body';
import { axisLoads, type GimbalChain } from './chain';

/**
 * How far to move slides so that an axis's offset goes to nothing: one look, one nudge.
 *
 * `offsetM` is the seen offset of what the axis carries, rig frame, as `offsetFromSwing` with `offsetFromRest` or
 * `offsetFromScale` give it. Each slide named in `slideIds` takes care of the offset along its own direction; the answer is
 * its move in metres along that direction, wherever the slide stands and whatever its range. A slide that does not change
 * this axis gets a move of 0. Throws `PhysicsInputError` for ids that are not in the chain.
 *
 * A metre of slide changes the axis's first moment by `perSlide`; wanted is `−M offset` along the slide.
 *
 * @example
 * moveForOffset({
 *   chain: {
 *     axes: [{ id: 'tilt', direction: [0, 1, 0], pivotM: [0, 0, 0] }],
 *     parts: [
 *       { id: 'camera', body: { massKg: 3, cgM: [0.01, 0, 0] }, hangsOn: 'tilt' },
 *       { id: 'cradle', body: { massKg: 1, cgM: [0, 0, 0] }, hangsOn: 'tilt' }
 *     ],
 *     slides: [{ id: 'plate', direction: [1, 0, 0], rangeM: [-0.05, 0.05], moves: ['camera'] }]
 *   },
 *   axisId: 'tilt',
 *   offsetM: [0.0075, 0, 0],
 *   slideIds: ['plate']
 * }).plate; // -0.01
 */
export function moveForOffset(input: {
	readonly chain: GimbalChain;
	readonly axisId: string;
	readonly offsetM: Vec3;
	readonly slideIds: readonly string[];
}): Record<string, number> {
	const check = checksFor('moveForOffset');
	const load = axisLoads('moveForOffset', input.chain).find(({ axis }) => axis.id === input.axisId);
	if (load === undefined) return check.fail('axisId', 'must be the id of an axis of the chain', input.axisId);
	const offsetM = check.vector('offsetM', input.offsetM);
	return Object.fromEntries(
		input.slideIds.map((id, which) => {
			const index = input.chain.slides.findIndex((slide) => slide.id === id);
			const slide = input.chain.slides[index];
			if (slide === undefined)
				return check.fail(`slideIds[${which}]`, 'must be the id of a slide of the chain', id) as never;
			const kg = dot(load.perSlideKgM[index] as Vec3, slide.direction);
			return [id, kg === 0 ? 0 : dot(scale(offsetM, -load.carriedKg), slide.direction) / kg];
		})
	);
}
