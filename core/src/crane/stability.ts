import { Matrix, pseudoInverse } from 'ml-matrix';
import { checksFor } from '../input';
import { type Body, standardGravityMPerS2, type Vec3 } from '../mass/body';
import { type ArmMoments, armMoments, type CraneArm } from './craneArm';
import { type Footprint, footprintOf } from './footprint';
import type { Point } from '../venue/point';

/** A side force: wind on the whole, or somebody leaning on it. Without a direction it acts square to each edge, outward. */
export interface SideForce {
	readonly forceN: number;
	readonly heightM: number;
	/** The way it pushes, heading from x counter-clockwise. */
	readonly directionRad?: number;
}

export interface StabilityInput {
	/** Feet or wheels on the ground, counter-clockwise seen from above. */
	readonly footprintM: readonly Point[];
	readonly base: readonly Pick<Body, 'massKg' | 'cgM'>[];
	readonly arm: CraneArm;
	readonly pivotM: Vec3;
	readonly swingRad: number;
	readonly boomRad: number;
	readonly slope?: { readonly angleRad: number; readonly downhillRad: number };
	readonly wind?: SideForce;
	readonly push?: SideForce;
}

export interface EdgeStability {
	readonly restoringNm: number;
	/** Slope, wind and push together; negative: they press it the other way. */
	readonly overturningNm: number;
	readonly netNm: number;
}

export interface Stability {
	/** From each foot to the next. */
	readonly edges: readonly EdgeStability[];
	/** Least (restoring − overturning)/restoring: 1 on level ground, however near the edge the weight stands. */
	readonly margin: number;
	/** Least net moment over weight and that edge's own distance from the footprint's middle: 1 in the middle, 0 about to tip. */
	readonly reserve: number;
	/** Of gravity and slope, in the order of the feet; 0: it lifts. With three feet negative: it would have to pull. */
	readonly footLoadsN: readonly number[];
}

/** The whole crane as its ground feels it. */
export interface CraneWeight {
	readonly massKg: number;
	/** Base and pivot: first moments in the ground frame, kg·m. */
	readonly fixedKgM: Vec3;
	readonly arm: ArmMoments;
}

export function craneWeight(
	call: string,
	{ base, arm, pivotM }: Pick<StabilityInput, 'base' | 'arm' | 'pivotM'>
): CraneWeight {
	const check = checksFor(call);
	const moments = armMoments(call, arm);
	const pivot = check.vector('pivotM', pivotM);
	let massKg = moments.massKg;
	let fixed: Vec3 = [pivot[0] * massKg, pivot[1] * massKg, pivot[2] * massKg];
	(base ?? check.fail('base', 'must be a list of bodies', base)).forEach((body, index) => {
		const { massKg: each, cgM } = check.body(`base[${index}]`, body);
		massKg += each;
		fixed = [fixed[0] + each * cgM[0], fixed[1] + each * cgM[1], fixed[2] + each * cgM[2]];
	});
	if (!(massKg > 0)) check.fail('base', 'must have some mass with the arm', massKg);
	return { massKg, fixedKgM: fixed, arm: moments };
}

/** The arm's first moments from its pivot: out along its heading, and up. */
export const armOut = ({ uKgM, vKgM, levelForwardKgM, levelUpKgM }: ArmMoments, boomRad: number) => ({
	outKgM: uKgM * Math.cos(boomRad) - vKgM * Math.sin(boomRad) + levelForwardKgM,
	upKgM: uKgM * Math.sin(boomRad) + vKgM * Math.cos(boomRad) + levelUpKgM
});

/**
 * How far a crane is from tipping over each side of its base, in one pose.
 *
 * Ground frame: feet in z = 0, x and y along the ground, gravity leaning downhill on a slope. `swingRad` is the arm's heading
 * from x, counter-clockwise; `boomRad` nose-up positive. A part kept level counts at its own centre here. Wind and push act
 * level at their heights. Statics of a rigid crane on rigid ground: no swing, no gust, no sinking foot, no flex. Throws
 * `PhysicsInputError` for fewer than three feet, feet that cross or go clockwise, a slope of a right angle or more, a negative
 * force, or parts without sense.
 *
 * About an edge with inward normal n: restoring `W cos θ (c − p)·n`; overturning `−W sin θ (d·n) z − Σ F (f·n) h`, with `F h` whole
 * where no direction is given. Foot loads are those of least squares that bear the weight and its two moments, found again
 * without a foot that would have to pull.
 *
 * @example
 * stabilityAt({ footprintM: [[1, 1], [-1, 1], [-1, -1], [1, -1]], base: [{ massKg: 10, cgM: [0, 0, 0.5] }],
 *   arm: { parts: [{ id: 'tube', massKg: 2, uM: 0, vM: 0 }] }, pivotM: [0, 0, 1], swingRad: 0, boomRad: 0 }).reserve; // 1
 */
export function stabilityAt(input: StabilityInput): Stability {
	const check = checksFor('stabilityAt');
	const footprint = footprintOf('stabilityAt', input.footprintM);
	const weight = craneWeight('stabilityAt', input);
	const swingRad = check.number('swingRad', input.swingRad);
	const boomRad = check.number('boomRad', input.boomRad);
	const loads = loadsOf('stabilityAt', input);

	const { outKgM, upKgM } = armOut(weight.arm, boomRad);
	const cgM: Vec3 = [
		(weight.fixedKgM[0] + outKgM * Math.cos(swingRad)) / weight.massKg,
		(weight.fixedKgM[1] + outKgM * Math.sin(swingRad)) / weight.massKg,
		(weight.fixedKgM[2] + upKgM) / weight.massKg
	];
	const edges = footprint.edges.map((edge) => edgeStability(edge, weight.massKg, cgM, loads));
	return {
		edges,
		margin: Math.min(...edges.map(({ restoringNm, netNm }) => marginOf(restoringNm, netNm))),
		reserve: Math.min(
			...edges.map(
				({ netNm }, index) => netNm / (weight.massKg * standardGravityMPerS2 * footprint.edges[index]!.centroidM)
			)
		),
		footLoadsN: footLoads(footprint, weight.massKg, cgM, loads.slope)
	};
}

/** A share of what rights it; below 0 once it would tip, also where nothing rights it at all. */
export const marginOf = (restoringNm: number, netNm: number): number =>
	restoringNm === 0 ? Math.sign(netNm) : netNm / Math.abs(restoringNm);

interface SideLoads {
	readonly slope: { readonly sine: number; readonly cosine: number; readonly downhill: Point | null };
	readonly forces: readonly { readonly momentNm: number; readonly direction: Point | null }[];
}

const headingOf = (angleRad: number): Point => [Math.cos(angleRad), Math.sin(angleRad)];

function loadsOf(call: string, { slope, wind, push }: Pick<StabilityInput, 'slope' | 'wind' | 'push'>): SideLoads {
	const check = checksFor(call);
	const angleRad = check.atLeastZero('slope.angleRad', slope?.angleRad ?? 0);
	if (angleRad >= Math.PI / 2) check.fail('slope.angleRad', 'must be less than a right angle', angleRad);
	const forces = (
		[
			['wind', wind],
			['push', push]
		] as const
	).flatMap(([name, force]) =>
		force === undefined
			? []
			: [
					{
						momentNm:
							check.atLeastZero(`${name}.forceN`, force.forceN) * check.number(`${name}.heightM`, force.heightM),
						direction:
							force.directionRad === undefined
								? null
								: headingOf(check.number(`${name}.directionRad`, force.directionRad))
					}
				]
	);
	return {
		slope: {
			sine: Math.sin(angleRad),
			cosine: Math.cos(angleRad),
			downhill: slope === undefined ? null : headingOf(check.number('slope.downhillRad', slope.downhillRad))
		},
		forces
	};
}

function edgeStability(
	{ from, inward }: Footprint['edges'][number],
	massKg: number,
	cgM: Vec3,
	{ slope, forces }: SideLoads
): EdgeStability {
	const weightN = massKg * standardGravityMPerS2;
	const outward = ([x, y]: Point) => -(x * inward[0] + y * inward[1]);
	const insideM = (cgM[0] - from[0]) * inward[0] + (cgM[1] - from[1]) * inward[1];
	const restoringNm = weightN * slope.cosine * insideM;
	const bySlope = weightN * slope.sine * cgM[2] * (slope.downhill === null ? 0 : outward(slope.downhill));
	const byForces = forces.reduce(
		(sum, { momentNm, direction }) => sum + momentNm * (direction === null ? 1 : outward(direction)),
		0
	);
	const overturningNm = bySlope + byForces;
	return { restoringNm, overturningNm, netNm: restoringNm - overturningNm };
}

function footLoads({ feet }: Footprint, massKg: number, cgM: Vec3, slope: SideLoads['slope']): number[] {
	const normalN = massKg * standardGravityMPerS2 * slope.cosine;
	const lean = slope.sine / slope.cosine;
	// Where the weight, leaning downhill from its height, goes through the ground.
	const [dx, dy] = slope.downhill ?? [0, 0];
	const [x, y] = [cgM[0] + cgM[2] * lean * dx, cgM[1] + cgM[2] * lean * dy];
	let bearing = feet.map((_, index) => index);
	for (;;) {
		const rows = new Matrix([
			bearing.map(() => 1),
			bearing.map((index) => feet[index]![0]),
			bearing.map((index) => feet[index]![1])
		]);
		const shares = pseudoInverse(rows)
			.mmul(Matrix.columnVector([1, x, y]))
			.to1DArray();
		const lightest = shares.indexOf(Math.min(...shares));
		if (shares[lightest]! >= 0 || bearing.length === 3) {
			const loads = feet.map(() => 0);
			bearing.forEach((index, place) => (loads[index] = normalN * shares[place]!));
			return loads;
		}
		bearing = bearing.filter((_, place) => place !== lightest);
	}
}
