import { checksFor } from '../input';
import { cross, dot, standardGravityMPerS2, type Vec3 } from '../mass/body';
import { type Sled, sledTotals } from './sled';

export interface SpinSample {
	readonly atS: number;
	/** Top forward, and top to the camera's left, of the way the camera looks. */
	readonly foreLeanRad: number;
	readonly sideLeanRad: number;
	/** Counter-clockwise from where it began, not wrapped. */
	readonly headingRad: number;
	/** Kinetic and potential, potential 0 with the centre of gravity level with the gimbal. */
	readonly energyJ: number;
	/** About the gimbal, world frame: x where the camera looked at first, z up. Gravity turns the first two. */
	readonly momentumKgM2PerS: Vec3;
}

export interface SpinRun {
	readonly samples: readonly SpinSample[];
	/** Time means over the second half of the run, when the start has had time to die away. */
	readonly meanForeLeanRad: number;
	readonly meanSideLeanRad: number;
	/** The furthest the post left the vertical. */
	readonly greatestLeanRad: number;
	/** Greatest change over the run, as a share: of the energy put in by the spin, of the upright momentum at the start. */
	readonly energyDrift: number;
	readonly momentumDrift: number;
}

const mostSteps = 4_000_000;
const usualStepS = 0.001;

/**
 * A sled set turning on its gimbal: the whole rigid body, stepped through time.
 *
 * The gimbal is a fixed point; the post may lean any way. At the start the post leans by `startLean` (default: upright) and
 * the sled turns at `spinRadPerS` about the vertical. `dampingNmS` is the gimbal's friction against leaning, per rad/s, in its rings,
 * which do not pan; `panDampingNmS` that of its pan bearing. `held`: fingers on the post keep the rate at `spinRadPerS`; else it
 * spins free. `durationS` of run, sampled every `sampleS` (default 0.02 s), stepped by at most `stepS` (default 1 ms).
 * `gravityMPerS2` default 9.80665. Throws `PhysicsInputError` for input without sense, or more than four million steps.
 *
 * `L' = r × m g + torques` in the world frame, attitude by its unit quaternion with `ω = R I⁻¹ Rᵀ L`, `I` the full tensor about
 * the gimbal; classical fourth-order Runge–Kutta. Without friction energy and upright momentum stay; upright momentum is a
 * linear invariant, kept to rounding.
 *
 * @example
 * const rod = { xx: 0.5, yy: 0.5, zz: 0.05, xy: 0, xz: 0, yz: 0 };
 * const sled = { parts: [{ id: 'all', body: { massKg: 10, cgM: [0, 0, 0.5], inertiaKgM2: rod } }], gimbalHeightM: 0.51 };
 * simulateSpin({ sled, spinRadPerS: 2, durationS: 1 }).greatestLeanRad; // 0
 */
export function simulateSpin(input: {
	readonly sled: Sled;
	readonly spinRadPerS: number;
	readonly durationS: number;
	readonly startLean?: { readonly foreRad: number; readonly sideRad: number };
	readonly dampingNmS?: number;
	readonly panDampingNmS?: number;
	readonly held?: boolean;
	readonly sampleS?: number;
	readonly stepS?: number;
	readonly gravityMPerS2?: number;
}): SpinRun {
	const check = checksFor('simulateSpin');
	const { massKg, cgM, inertiaKgM2, dropHeightM } = sledTotals('simulateSpin', input.sled);
	const spin = check.number('spinRadPerS', input.spinRadPerS);
	const durationS = check.positive('durationS', input.durationS);
	const damping = check.atLeastZero('dampingNmS', input.dampingNmS ?? 0);
	const panDamping = check.atLeastZero('panDampingNmS', input.panDampingNmS ?? 0);
	const gravity = check.atLeastZero('gravityMPerS2', input.gravityMPerS2 ?? standardGravityMPerS2);
	const sampleS = check.positive('sampleS', input.sampleS ?? 0.02);
	const longestS = Math.min(sampleS, check.positive('stepS', input.stepS ?? usualStepS));
	const perSample = Math.ceil(sampleS / longestS - 1e-9);
	const stepS = sampleS / perSample;
	const samplesWanted = Math.ceil(durationS / sampleS - 1e-9);
	if (samplesWanted * perSample > mostSteps) check.fail('durationS', 'must be fewer steps', samplesWanted * perSample);

	// About the gimbal.
	const r: Vec3 = [cgM[0], cgM[1], -dropHeightM];
	const about = (i: number, j: number) => massKg * (r[i] as number) * (r[j] as number);
	const tensor = [
		inertiaKgM2.xx + about(1, 1) + about(2, 2),
		inertiaKgM2.yy + about(2, 2) + about(0, 0),
		inertiaKgM2.zz + about(0, 0) + about(1, 1),
		-(inertiaKgM2.xy + about(0, 1)),
		-(inertiaKgM2.xz + about(0, 2)),
		-(inertiaKgM2.yz + about(1, 2))
	] as const;
	const inverse = inverseOf(tensor);
	if (inverse === null)
		return check.fail('sled.parts', 'must have extent in every direction to spin', 'a point or line');
	const weight = massKg * gravity;
	/** Firm enough to hold the rate within a fraction of a turn, soft enough not to shake. */
	const grip = input.held === true ? tensor[2] * 2 : 0;

	type State = Float64Array; // quaternion w x y z, momentum x y z
	const spinOf = (state: State, out: number[]): void => {
		rotation(state, out);
		const [lx, ly, lz] = [state[4]!, state[5]!, state[6]!];
		// momentum in the body, then its rate there, then back in the world
		const bx = out[0]! * lx + out[3]! * ly + out[6]! * lz;
		const by = out[1]! * lx + out[4]! * ly + out[7]! * lz;
		const bz = out[2]! * lx + out[5]! * ly + out[8]! * lz;
		const wx = inverse[0] * bx + inverse[3] * by + inverse[4] * bz;
		const wy = inverse[3] * bx + inverse[1] * by + inverse[5] * bz;
		const wz = inverse[4] * bx + inverse[5] * by + inverse[2] * bz;
		out[9] = out[0]! * wx + out[1]! * wy + out[2]! * wz;
		out[10] = out[3]! * wx + out[4]! * wy + out[5]! * wz;
		out[11] = out[6]! * wx + out[7]! * wy + out[8]! * wz;
	};
	const work: number[] = new Array<number>(12).fill(0);
	const slope = (state: State, out: State): void => {
		spinOf(state, work);
		const [w, x, y, z] = [state[0]!, state[1]!, state[2]!, state[3]!];
		const [ox, oy, oz] = [work[9]!, work[10]!, work[11]!];
		out[0] = (-ox * x - oy * y - oz * z) / 2;
		out[1] = (ox * w + oy * z - oz * y) / 2;
		out[2] = (oy * w + oz * x - ox * z) / 2;
		out[3] = (oz * w + ox * y - oy * x) / 2;
		const [nx, ny, nz] = [work[2]!, work[5]!, work[8]!];
		const along = ox * nx + oy * ny + oz * nz;
		// Fingers keep the post turning about itself as it would in a steady turn about the vertical.
		const turning = grip * (spin * nz - along) - panDamping * along + damping * along;
		const rx = work[0]! * r[0] + work[1]! * r[1] + work[2]! * r[2];
		const ry = work[3]! * r[0] + work[4]! * r[1] + work[5]! * r[2];
		out[4] = -weight * ry + turning * nx - damping * ox;
		out[5] = weight * rx + turning * ny - damping * oy;
		out[6] = turning * nz - damping * oz;
	};

	const start = input.startLean ?? { foreRad: 0, sideRad: 0 };
	const state = leaning(
		check.number('startLean.foreRad', start.foreRad),
		check.number('startLean.sideRad', start.sideRad)
	);
	// The momentum of turning about the vertical: R I Rᵀ ẑ ω.
	rotation(state, work);
	const up = [work[6]! * spin, work[7]! * spin, work[8]! * spin] as const;
	const own = [
		tensor[0] * up[0] + tensor[3] * up[1] + tensor[4] * up[2],
		tensor[3] * up[0] + tensor[1] * up[1] + tensor[5] * up[2],
		tensor[4] * up[0] + tensor[5] * up[1] + tensor[2] * up[2]
	] as const;
	for (const row of [0, 1, 2] as const)
		state[4 + row] = work[3 * row]! * own[0] + work[3 * row + 1]! * own[1] + work[3 * row + 2]! * own[2];

	const samples: SpinSample[] = [];
	let headingRad = 0;
	let greatestLeanRad = 0;
	const sample = (atS: number): void => {
		spinOf(state, work);
		const n: Vec3 = [work[2]!, work[5]!, work[8]!];
		const flat = Math.hypot(work[0]!, work[3]!);
		const ahead: Vec3 = flat < 1e-12 ? [1, 0, 0] : [work[0]! / flat, work[3]! / flat, 0];
		const left = cross([0, 0, 1], ahead);
		const raw = Math.atan2(ahead[1], ahead[0]);
		headingRad += Math.atan2(Math.sin(raw - headingRad), Math.cos(raw - headingRad));
		greatestLeanRad = Math.max(greatestLeanRad, Math.atan2(Math.hypot(n[0], n[1]), n[2]));
		const momentum: Vec3 = [state[4]!, state[5]!, state[6]!];
		const rate: Vec3 = [work[9]!, work[10]!, work[11]!];
		const height = work[6]! * r[0] + work[7]! * r[1] + work[8]! * r[2];
		samples.push({
			atS,
			foreLeanRad: Math.atan2(dot(n, ahead), n[2]),
			sideLeanRad: Math.atan2(dot(n, left), n[2]),
			headingRad,
			energyJ: dot(momentum, rate) / 2 + weight * height,
			momentumKgM2PerS: momentum
		});
	};

	sample(0);
	const [k1, k2, k3, k4, next] = [0, 1, 2, 3, 4].map(() => new Float64Array(7)) as [State, State, State, State, State];
	for (let count = 1; count <= samplesWanted; count += 1) {
		for (let step = 0; step < perSample; step += 1) {
			slope(state, k1);
			for (let i = 0; i < 7; i += 1) next[i] = state[i]! + (stepS / 2) * k1[i]!;
			slope(next, k2);
			for (let i = 0; i < 7; i += 1) next[i] = state[i]! + (stepS / 2) * k2[i]!;
			slope(next, k3);
			for (let i = 0; i < 7; i += 1) next[i] = state[i]! + stepS * k3[i]!;
			slope(next, k4);
			for (let i = 0; i < 7; i += 1) state[i]! += (stepS / 6) * (k1[i]! + 2 * k2[i]! + 2 * k3[i]! + k4[i]!);
			const size = Math.hypot(state[0]!, state[1]!, state[2]!, state[3]!);
			for (let i = 0; i < 4; i += 1) state[i]! /= size;
		}
		sample(count * sampleS);
	}

	const late = samples.slice(Math.floor(samples.length / 2));
	const mean = (of: (each: SpinSample) => number) => late.reduce((sum, each) => sum + of(each), 0) / late.length;
	const first = samples[0] as SpinSample;
	const spread = (of: (each: SpinSample) => number) =>
		samples.reduce((most, each) => Math.max(most, Math.abs(of(each) - of(first))), 0);
	const restJ = weight * (r[2] as number);
	const [energyScale, momentumScale] = [Math.abs(first.energyJ - restJ), Math.abs(first.momentumKgM2PerS[2])];
	return {
		samples,
		meanForeLeanRad: mean(({ foreLeanRad }) => foreLeanRad),
		meanSideLeanRad: mean(({ sideLeanRad }) => sideLeanRad),
		greatestLeanRad,
		energyDrift: energyScale > 0 ? spread(({ energyJ }) => energyJ) / energyScale : 0,
		momentumDrift: momentumScale > 0 ? spread(({ momentumKgM2PerS: [, , z] }) => z) / momentumScale : 0
	};
}

/** Nine direction cosines by rows into `out`. */
function rotation(state: Float64Array, out: number[]): void {
	const [w, x, y, z] = [state[0]!, state[1]!, state[2]!, state[3]!];
	out[0] = 1 - 2 * (y * y + z * z);
	out[1] = 2 * (x * y - w * z);
	out[2] = 2 * (x * z + w * y);
	out[3] = 2 * (x * y + w * z);
	out[4] = 1 - 2 * (x * x + z * z);
	out[5] = 2 * (y * z - w * x);
	out[6] = 2 * (x * z - w * y);
	out[7] = 2 * (y * z + w * x);
	out[8] = 1 - 2 * (x * x + y * y);
}

/** The attitude whose post leans so: turned about the level axis square to the lean. */
function leaning(foreRad: number, sideRad: number): Float64Array {
	const [x, y] = [Math.tan(foreRad), Math.tan(sideRad)];
	const tangent = Math.hypot(x, y);
	const state = new Float64Array(7);
	const half = Math.atan(tangent) / 2;
	state[0] = Math.cos(half);
	if (tangent > 0) {
		state[1] = (-Math.sin(half) * y) / tangent;
		state[2] = (Math.sin(half) * x) / tangent;
	}
	return state;
}

/** Inverse of a symmetric tensor given as xx, yy, zz, xy, xz, yz, in the same order; null for one that has none. */
function inverseOf(t: readonly [number, number, number, number, number, number]) {
	const [xx, yy, zz, xy, xz, yz] = t;
	const determinant = xx * (yy * zz - yz * yz) - xy * (xy * zz - yz * xz) + xz * (xy * yz - yy * xz);
	if (!(determinant > 1e-15 * Math.max(xx, yy, zz) ** 3)) return null;
	return [
		(yy * zz - yz * yz) / determinant,
		(xx * zz - xz * xz) / determinant,
		(xx * yy - xy * xy) / determinant,
		(xz * yz - xy * zz) / determinant,
		(xy * yz - xz * yy) / determinant,
		(xy * xz - xx * yz) / determinant
	] as const;
}
