import { checksFor } from '../input';
import { add, dot, scale, subtract, type Vec3 } from '../mass/body';
import { axisLoads, type GimbalChain, listPositions, momentAt } from './chain';

/** What was really seen of an axis along one direction, with the slides where they stood. */
export interface SeenOffset {
	readonly axisId: string;
	/** Unit vector square to the axis, rig frame. */
	readonly direction: Vec3;
	/** Offset of what the axis carries along that direction: positive, that side is heavy. */
	readonly offsetM: number;
	readonly positionsM: Readonly<Record<string, number>>;
}

/**
 * The chain made to agree with what was seen: the model's slides and masses, with the centres of gravity moved so that
 * every seen offset comes out.
 *
 * The difference between seen and modelled is laid on the parts that hang directly on the axis, all moved together, so
 * that it travels with them on every slide and reaches the outer axes as a real error would. Innermost axes are corrected
 * first. Several looks along one direction of one axis: the last counts. An axis that nothing hangs on directly is left as
 * it is. Throws `PhysicsInputError` for ids or directions without sense.
 *
 * With `e` the missing first moment along `d`, parts of mass `m` in all move by `e/m · d`: first moments are linear, so
 * one pass is exact.
 *
 * @example
 * const told = correctChain({
 *   chain: {
 *     axes: [{ id: 'tilt', direction: [0, 1, 0], pivotM: [0, 0, 0] }],
 *     parts: [{ id: 'camera', body: { massKg: 2, cgM: [0.01, 0, 0] }, hangsOn: 'tilt' }],
 *     slides: []
 *   },
 *   seen: [{ axisId: 'tilt', direction: [1, 0, 0], offsetM: 0.014, positionsM: {} }]
 * });
 * told.parts[0].body.cgM[0]; // 0.014
 */
export function correctChain(input: {
	readonly chain: GimbalChain;
	readonly seen: readonly SeenOffset[];
}): GimbalChain {
	const check = checksFor('correctChain');
	const known = new Set(input.chain.axes.map(({ id }) => id));
	const seen = input.seen.map((look, index) => {
		if (!known.has(look.axisId)) check.fail(`seen[${index}].axisId`, 'must be the id of an axis', look.axisId);
		check.number(`seen[${index}].offsetM`, look.offsetM);
		return { ...look, direction: check.unitVector(`seen[${index}].direction`, look.direction) };
	});
	let { chain } = input;
	for (const { id } of [...input.chain.axes].reverse())
		for (const look of lastByDirection(seen.filter(({ axisId }) => axisId === id))) chain = agree(chain, look);
	return chain;
}

function lastByDirection(looks: readonly SeenOffset[]): SeenOffset[] {
	return looks.filter(
		(look, index) => !looks.slice(index + 1).some((later) => Math.abs(dot(later.direction, look.direction)) > 0.999)
	);
}

function agree(chain: GimbalChain, look: SeenOffset): GimbalChain {
	const load = axisLoads('correctChain', chain).find(({ axis }) => axis.id === look.axisId);
	if (load === undefined) return chain;
	const modelled = dot(momentAt(load, listPositions('correctChain', chain, look.positionsM)), look.direction);
	const missingKgM = look.offsetM * load.carriedKg - modelled;
	const hanging = chain.parts.filter(({ hangsOn }) => hangsOn === look.axisId);
	const kg = hanging.reduce((sum, { body }) => sum + body.massKg, 0);
	if (!(kg > 0)) return chain;
	const shiftM = scale(look.direction, missingKgM / kg);
	const parts = chain.parts.map((part) =>
		part.hangsOn === look.axisId ? { ...part, body: { ...part.body, cgM: add(part.body.cgM, shiftM) } } : part
	);
	return { ...chain, parts };
}

/** How far the corrections moved the parts that hang on an axis: the seen error of the model. */
export const correctionOf = (before: GimbalChain, after: GimbalChain, axisId: string): Vec3 => {
	const index = before.parts.findIndex(({ hangsOn }) => hangsOn === axisId);
	const [was, is] = [before.parts[index], after.parts[index]];
	return was === undefined || is === undefined ? [0, 0, 0] : subtract(is.body.cgM, was.body.cgM);
};
