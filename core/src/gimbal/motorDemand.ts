import { checksFor } from '../input';
import {
	add,
	type Body,
	cross,
	dot,
	type Inertia,
	scale,
	squareTo,
	standardGravityMPerS2,
	subtract,
	type Vec3,
	zeroInertia
} from '../mass/body';
import { combineBodies } from '../mass/combineBodies';
import { axisLoads, type GimbalAxis, type GimbalChain, listPositions, momentAt } from './chain';
import { length } from '../mass/body';

export interface AxisDemand {
	readonly id: string;
	/** Inertia about the axis of everything it carries. */
	readonly inertiaKgM2: number;
	/** Torque that keeps it where it is in the worst pose. */
	readonly holdingNm: number;
	/** Torque that turns it up to speed. */
	readonly acceleratingNm: number;
	/** Torque that a pan at the asked rate throws onto it. */
	readonly swingingNm: number;
	/** All of that with friction, at its worst together. */
	readonly totalNm: number;
	/** The total as a share of the motor's torque; null where the motor is unknown. */
	readonly motorShare: number | null;
}

/**
 * What each motor has to give at rest and while turning, outermost axis first.
 *
 * `rateRadPerS` is the rate of a steady turn about the outermost axis, `accelRadPerS2` how fast each axis is brought up to
 * its speed; both at least 0. `positionsM` by slide id; a slide not named stands at 0. Neutral pose. Parts without an
 * inertia of their own count as points. Throws `PhysicsInputError` for a chain, slide or rate without sense.
 *
 * Holding `g |Σ m r|`; accelerating `J α` with `J = û·I·û` by the parallel-axis theorem; swinging
 * `ω² û·Σ m (r − p) × ρ`, with `ρ` the distance from the turning axis: the centrifugal torque, which a balanced axis
 * still feels when its load is longer one way than the other. They are added as if they met in one pose: an upper bound.
 *
 * @example
 * motorDemand({
 *   chain: {
 *     axes: [{ id: 'pan', direction: [0, 0, 1], pivotM: [0, 0, 0], motorTorqueNm: 1 }],
 *     parts: [{ id: 'camera', body: { massKg: 2, cgM: [0.1, 0, 0] }, hangsOn: 'pan' }],
 *     slides: []
 *   },
 *   positionsM: {},
 *   rateRadPerS: 0,
 *   accelRadPerS2: 5
 * })[0].acceleratingNm; // 0.1
 */
export function motorDemand(input: {
	readonly chain: GimbalChain;
	readonly positionsM: Readonly<Record<string, number>>;
	readonly rateRadPerS: number;
	readonly accelRadPerS2: number;
}): AxisDemand[] {
	const check = checksFor('motorDemand');
	const rate = check.atLeastZero('rateRadPerS', input.rateRadPerS);
	const accel = check.atLeastZero('accelRadPerS2', input.accelRadPerS2);
	const loads = axisLoads('motorDemand', input.chain);
	const positionsM = listPositions('motorDemand', input.chain, input.positionsM);
	const movedBy = (id: string): Vec3 =>
		input.chain.slides.reduce<Vec3>(
			(sum, slide, s) => (slide.moves.includes(id) ? add(sum, scale(slide.direction, positionsM[s] as number)) : sum),
			[0, 0, 0]
		);
	const depth = new Map(input.chain.axes.map(({ id }, index) => [id, index]));
	const turning = loads[0]?.axis as GimbalAxis;
	const turningPivotM = add(turning.pivotM, movedBy(turning.id));

	return loads.map(({ axis, carriedKg, perSlideKgM, momentKgM }, index) => {
		const bodies = input.chain.parts.flatMap(({ id, body, hangsOn }) =>
			hangsOn !== null && (depth.get(hangsOn) as number) >= index && body.massKg > 0
				? [{ ...body, cgM: add(body.cgM, movedBy(id)) }]
				: []
		);
		const pivotM = add(axis.pivotM, movedBy(axis.id));
		const inertiaKgM2 = carriedKg > 0 ? inertiaAbout(bodies, pivotM, axis.direction) : 0;
		const holdingNm = standardGravityMPerS2 * length(momentAt({ axis, carriedKg, perSlideKgM, momentKgM }, positionsM));
		const acceleratingNm = inertiaKgM2 * accel;
		const swingingNm = Math.abs(
			rate * rate * bodies.reduce((sum, body) => sum + centrifugal(body, axis, pivotM, turning, turningPivotM), 0)
		);
		const totalNm = holdingNm + acceleratingNm + swingingNm + (axis.frictionNm ?? 0);
		const motor = axis.motorTorqueNm;
		return {
			id: axis.id,
			inertiaKgM2,
			holdingNm,
			acceleratingNm,
			swingingNm,
			totalNm,
			motorShare: motor === undefined ? null : totalNm / motor
		};
	});
}

/** `û·I·û` about the pivot. */
function inertiaAbout(bodies: readonly Body[], pivotM: Vec3, axis: Vec3): number {
	const { massKg, cgM, inertiaKgM2 } = combineBodies({ bodies });
	const arm = length(squareTo(subtract(cgM, pivotM), axis));
	return alongAxis(inertiaKgM2, axis) + massKg * arm * arm;
}

function alongAxis({ xx, yy, zz, xy, xz, yz }: Inertia, [x, y, z]: Vec3): number {
	return xx * x * x + yy * y * y + zz * z * z - 2 * (xy * x * y + xz * x * z + yz * y * z);
}

/** `û·Σ m (r − p) × ρ` of one body: its centre by its mass, and its own spread by the second moments of its mass. */
function centrifugal(body: Body, axis: GimbalAxis, pivotM: Vec3, turning: GimbalAxis, turningPivotM: Vec3): number {
	const { massKg, cgM, inertiaKgM2 = zeroInertia } = body;
	const out = squareTo(subtract(cgM, turningPivotM), turning.direction);
	const centre = massKg * dot(axis.direction, cross(subtract(cgM, pivotM), out));
	const { xx, yy, zz, xy, xz, yz } = inertiaKgM2;
	// Σ m d dᵀ from the moments: half of what the other two hold beyond this one.
	const spread: readonly Vec3[] = [
		[(yy + zz - xx) / 2, xy, xz],
		[xy, (zz + xx - yy) / 2, yz],
		[xz, yz, (xx + yy - zz) / 2]
	];
	// Σ m d × P d = Σ over the unit vectors e of (spread e) × (P e), P the projection square to the turning axis.
	const units: readonly Vec3[] = [
		[1, 0, 0],
		[0, 1, 0],
		[0, 0, 1]
	];
	const own = units.reduce(
		(sum, unit, k) => sum + dot(axis.direction, cross(spread[k] as Vec3, squareTo(unit, turning.direction))),
		0
	);
	return centre + own;
}
