import { checksFor } from '../input';
import { add, type Body, scale, squareTo, subtract, type Vec3 } from '../mass/body';

/** One motor axis. `pivotM` is any point on it, rig frame, neutral pose, every slide at 0. */
export interface GimbalAxis {
	readonly id: string;
	/** Unit vector, right-hand rule. */
	readonly direction: Vec3;
	readonly pivotM: Vec3;
	/** Holding torque of the motor; absent where unknown. */
	readonly motorTorqueNm?: number;
	/** Bearing friction with the power off; absent counts as none. */
	readonly frictionNm?: number;
}

/** A part, and the innermost axis that turns it: `null` for what never turns, such as the handle. */
export interface GimbalPart {
	readonly id: string;
	readonly body: Body;
	readonly hangsOn: string | null;
}

/** A slide moves parts, and perhaps axes, together along a unit vector; 0 is the chain as given. */
export interface GimbalSlide {
	readonly id: string;
	readonly direction: Vec3;
	readonly rangeM: readonly [number, number];
	/** Ids of parts and of axes. */
	readonly moves: readonly string[];
}

/** A gimbal in its neutral pose, outermost axis first. Rig frame: x forward, y to the camera's left, z up. */
export interface GimbalChain {
	readonly axes: readonly GimbalAxis[];
	readonly parts: readonly GimbalPart[];
	readonly slides: readonly GimbalSlide[];
}

/**
 * What one axis carries, as a linear function of the slides: first moment about the axis
 * `momentKgM + Σ position · perSlideKgM`, both square to the axis.
 */
export interface AxisLoad {
	readonly axis: GimbalAxis;
	readonly carriedKg: number;
	readonly momentKgM: Vec3;
	readonly perSlideKgM: readonly Vec3[];
}

/**
 * The loads of every axis, outermost first. An axis carries every part on itself or on an axis inside it.
 *
 * With `P` the projection square to the axis and `p` its pivot, the first moment is `P Σ m (c − p)`; a slide adds
 * `P d (Σ m of its carried parts − M if it moves the pivot too)` per metre. Nothing here is approximate: masses
 * translate, so first moments are exactly linear in the slide positions.
 *
 * Throws `PhysicsInputError` in the name of `call` for a chain that makes no sense.
 */
export function axisLoads(call: string, chain: GimbalChain): AxisLoad[] {
	const check = checksFor(call);
	if (typeof chain !== 'object' || chain === null) check.fail('chain', 'must be a gimbal chain', chain);
	check.list('chain.axes', chain.axes);
	check.list('chain.parts', chain.parts);
	const slides = chain.slides ?? [];
	check.uniqueIds('chain.axes', chain.axes);
	check.uniqueIds('chain.parts', chain.parts);
	check.uniqueIds('chain.slides', slides);

	const depth = new Map(chain.axes.map((axis, index) => [axis.id, index]));
	const partDepths = chain.parts.map((part, index) => {
		check.body(`chain.parts[${index}].body`, part.body);
		if (part.hangsOn === null) return -1;
		const found = depth.get(part.hangsOn);
		return found ?? check.fail(`chain.parts[${index}].hangsOn`, 'must be the id of an axis, or null', part.hangsOn);
	});
	const movable = new Set([...depth.keys(), ...chain.parts.map((part) => part.id)]);
	const directions = slides.map((slide, index) => {
		check.range(`chain.slides[${index}].rangeM`, slide.rangeM);
		if (!Array.isArray(slide.moves)) check.fail(`chain.slides[${index}].moves`, 'must be a list of ids', slide.moves);
		slide.moves.forEach((id, which) => {
			if (!movable.has(id))
				check.fail(`chain.slides[${index}].moves[${which}]`, 'must be the id of a part or an axis', id);
		});
		return check.unitVector(`chain.slides[${index}].direction`, slide.direction);
	});
	const moved = slides.map((slide) => new Set(slide.moves));

	return chain.axes.map((given, index) => {
		const axis = {
			...given,
			direction: check.unitVector(`chain.axes[${index}].direction`, given.direction),
			pivotM: check.vector(`chain.axes[${index}].pivotM`, given.pivotM)
		};
		if (axis.motorTorqueNm !== undefined) check.positive(`chain.axes[${index}].motorTorqueNm`, axis.motorTorqueNm);
		if (axis.frictionNm !== undefined) check.atLeastZero(`chain.axes[${index}].frictionNm`, axis.frictionNm);

		let carriedKg = 0;
		let momentKgM: Vec3 = [0, 0, 0];
		const movedKg = slides.map(() => 0);
		chain.parts.forEach((part, which) => {
			if ((partDepths[which] as number) < index) return;
			const { massKg, cgM } = part.body;
			carriedKg += massKg;
			momentKgM = add(momentKgM, scale(subtract(cgM, axis.pivotM), massKg));
			moved.forEach((ids, s) => {
				if (ids.has(part.id)) movedKg[s] = (movedKg[s] as number) + massKg;
			});
		});
		const perSlideKgM = directions.map((direction, s) => {
			const pivotKg = moved[s]?.has(axis.id) ? carriedKg : 0;
			return squareTo(scale(direction, (movedKg[s] as number) - pivotKg), axis.direction);
		});
		return { axis, carriedKg, momentKgM: squareTo(momentKgM, axis.direction), perSlideKgM };
	});
}

/** First moment of an axis with the slides at `positionsM`, kg·m, square to the axis. */
export function momentAt(load: AxisLoad, positionsM: readonly number[]): Vec3 {
	return load.perSlideKgM.reduce<Vec3>(
		(sum, perMetre, s) => add(sum, scale(perMetre, positionsM[s] as number)),
		load.momentKgM
	);
}

/** Positions by slide id as a list in the order of the chain; a slide not named stands at 0. */
export function listPositions(
	call: string,
	chain: GimbalChain,
	positionsM: Readonly<Record<string, number>>
): readonly number[] {
	const check = checksFor(call);
	if (typeof positionsM !== 'object' || positionsM === null)
		check.fail('positionsM', 'must be positions by slide id', positionsM);
	const known = new Set(chain.slides.map((slide) => slide.id));
	for (const id of Object.keys(positionsM)) {
		if (!known.has(id)) check.fail(`positionsM.${id}`, 'must be the id of a slide', positionsM[id]);
		check.number(`positionsM.${id}`, positionsM[id]);
	}
	return chain.slides.map((slide) => positionsM[slide.id] ?? 0);
}
