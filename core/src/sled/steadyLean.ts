import { checksFor } from '../input';
import { standardGravityMPerS2 } from '../mass/body';
import { realRoots } from '../numeric/realRoots';
import { planeOf, type Sled, type SledPlane, type SledTotals, sledTotals } from './sled';
import { principalLean } from './sledReport';

export interface SteadyLean {
	/** Post from the vertical, top forward (fore) or to the camera's left (side) positive; null: it cannot stand so. */
	readonly leanRad: number | null;
	/** Where a balanced post changes from standing with its imbalance to standing against it; null: it never does. */
	readonly criticalRadPerS: number | null;
	/** Of the principal axis about the gimbal. */
	readonly principalLeanRad: number;
}

/** What the steady spin of one plane hangs on, about the gimbal. */
export interface SpinPlane {
	readonly massKg: number;
	readonly dropHeightM: number;
	readonly offsetM: number;
	/** Σ m x z. */
	readonly productKgM2: number;
	/** Σ m z² − Σ m x². */
	readonly lengthwiseKgM2: number;
}

export function spinPlane({ massKg, cgM, inertiaKgM2, dropHeightM }: SledTotals, plane: SledPlane): SpinPlane {
	const { axis, across, product } = planeOf[plane];
	const offsetM = cgM[axis];
	return {
		massKg,
		dropHeightM,
		offsetM,
		productKgM2: inertiaKgM2[product] - massKg * offsetM * dropHeightM,
		lengthwiseKgM2: inertiaKgM2[across] - inertiaKgM2.zz + massKg * (dropHeightM * dropHeightM - offsetM * offsetM)
	};
}

/** Gravity's righting moment less the spin's, N·m, at a lean; zero where the post can stand. */
export function standingNm(of: SpinPlane, spinRadPerS: number, leanRad: number): number {
	const righting =
		of.massKg * standardGravityMPerS2 * (of.dropHeightM * Math.sin(leanRad) - of.offsetM * Math.cos(leanRad));
	const throwing = of.productKgM2 * Math.cos(2 * leanRad) + (of.lengthwiseKgM2 / 2) * Math.sin(2 * leanRad);
	return righting - spinRadPerS * spinRadPerS * throwing;
}

/**
 * How far the post leans while the sled turns steadily at `spinRadPerS` about the vertical through its gimbal.
 *
 * Products and moments about the gimbal; `leanRad` is the standing lean of least magnitude within a right angle, null when
 * there is none (a top-heavy sled, or a product too great for gravity). Friction is left out. Throws `PhysicsInputError`
 * for a sled without sense, a rate that is not finite, or another plane than `fore` and `side`.
 *
 * In the turning frame `m g (h sin α − x cos α) = ω² (P cos 2α + ½ (C − A) sin 2α)`; with t = tan(α/2) a quartic in t, whose
 * roots in (−1, 1) are all found between those of its derivatives. An imperfect pitchfork about
 * `ω_c = √(m g h/(C − A))`: below it the post leans with its imbalance, well above it against it.
 *
 * @example
 * const up = { id: 'up', body: { massKg: 1, cgM: [0, 0, 0.5] } };
 * const down = { id: 'down', body: { massKg: 1.1, cgM: [0, 0, -0.5] } };
 * steadyLean({ sled: { parts: [up, down], gimbalHeightM: 0 }, spinRadPerS: 1, plane: 'fore' }).leanRad; // 0
 */
export function steadyLean(input: {
	readonly sled: Sled;
	readonly spinRadPerS: number;
	readonly plane: SledPlane;
}): SteadyLean {
	const check = checksFor('steadyLean');
	const spin = check.number('spinRadPerS', input.spinRadPerS);
	if (!(input.plane in planeOf)) check.fail('plane', "must be 'fore' or 'side'", input.plane);
	const of = spinPlane(sledTotals('steadyLean', input.sled), input.plane);
	const weightN = of.massKg * standardGravityMPerS2;
	const [lift, lever] = [weightN * of.dropHeightM, weightN * of.offsetM];
	const [product, lengthwise] = [spin * spin * of.productKgM2, spin * spin * of.lengthwiseKgM2];
	// (1 + t²)² times the moment, lowest power first.
	const quartic = [
		-lever - product,
		2 * lift - 2 * lengthwise,
		6 * product,
		2 * lift + 2 * lengthwise,
		lever - product
	];
	const leans = realRoots(quartic, -1, 1)
		.filter((t) => Math.abs(t) < 1)
		.map((t) => 2 * Math.atan(t))
		.sort((a, b) => Math.abs(a) - Math.abs(b));
	return {
		leanRad: leans[0] ?? null,
		criticalRadPerS: lift > 0 && of.lengthwiseKgM2 > 0 ? Math.sqrt(lift / of.lengthwiseKgM2) : null,
		principalLeanRad: principalLean(of.productKgM2, of.lengthwiseKgM2)
	};
}
