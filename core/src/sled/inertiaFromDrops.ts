import { checksFor } from '../input';
import { standardGravityMPerS2 } from '../mass/body';
import { spreadOf } from '../mass/spread';
import { dropConstant, dropTime } from './dropTime';

export interface TimedDrop {
	readonly gimbalHeightM: number;
	readonly dropTimeS: number;
	/** One standard deviation of that time; absent: 0.05 s. */
	readonly sigmaS?: number;
}

export type DropInertia =
	| {
			readonly feasible: true;
			/** About the centre of gravity, across the fall. */
			readonly inertiaCgKgM2: number;
			/** One standard deviation of it, from those of the times. */
			readonly inertiaSigmaKgM2: number;
			/** Up the post from its foot. */
			readonly cgHeightM: number;
			readonly cgHeightSigmaM: number;
			/** Measured less fitted, in the order of the drops. */
			readonly residualsS: readonly number[];
	  }
	| { readonly feasible: false; readonly reason: 'sameHeight' | 'notShorter' };

const usualSigmaS = 0.05;
/** Heights nearer than this are one height: the difference in time would be all thumb. */
const leastApartM = 1e-4;

/**
 * What timed drops say about the sled's true inertia and the height of its centre of gravity.
 *
 * `drops` at two known gimbal heights or more, metres up the post, seconds from level to first vertical; `massKg` of all
 * that hangs on the gimbal. Times that do not grow shorter as the gimbal goes up, or that stand for no body, are an answer:
 * `feasible: false`. Throws `PhysicsInputError` for a mass, height or time without sense, or fewer than two drops.
 *
 * With `q = g (T/K)²` each drop says `I/m = q h − h²`, `h = gimbal − cg`. Two heights d apart give
 * `h₁ = d (q₂ − d)/(q₁ − q₂ + 2d)` exactly; with more drops that pair starts a weighted Gauss–Newton fit of both unknowns in
 * the times.
 *
 * @example
 * const K = 1.8540746773013719, g = 9.80665;
 * const fall = (h) => K * Math.sqrt((1.5 + 10 * h * h) / (10 * g * h));
 * inertiaFromDrops({ massKg: 10, drops: [
 *   { gimbalHeightM: 0.51, dropTimeS: fall(0.01) }, { gimbalHeightM: 0.52, dropTimeS: fall(0.02) }] }).inertiaCgKgM2; // 1.5
 */
export function inertiaFromDrops(input: {
	readonly massKg: number;
	readonly drops: readonly TimedDrop[];
}): DropInertia {
	const check = checksFor('inertiaFromDrops');
	const massKg = check.positive('massKg', input.massKg);
	const drops = check.list('drops', input.drops).map((drop, index) => ({
		heightM: check.number(`drops[${index}].gimbalHeightM`, drop.gimbalHeightM),
		timeS: check.positive(`drops[${index}].dropTimeS`, drop.dropTimeS),
		sigmaS: check.positive(`drops[${index}].sigmaS`, drop.sigmaS ?? usualSigmaS)
	}));
	if (drops.length < 2) check.fail('drops', 'must have at least two', drops.length);
	const sorted = [...drops].sort((a, b) => a.heightM - b.heightM);
	const low = sorted[0]!.heightM;
	const high = sorted[sorted.length - 1]!.heightM;
	const apartM = high - low;
	if (apartM < leastApartM) return { feasible: false, reason: 'sameHeight' };

	const meanAt = (heightM: number) =>
		spreadOf({
			values: drops.filter((drop) => Math.abs(drop.heightM - heightM) < leastApartM).map(({ timeS }) => timeS)
		}).mean;
	const q = (timeS: number) => standardGravityMPerS2 * (timeS / dropConstant) ** 2;
	const [qLow, qHigh] = [q(meanAt(low)), q(meanAt(high))];
	const lowDropM = (apartM * (qHigh - apartM)) / (qLow - qHigh + 2 * apartM);
	let cgHeightM = low - lowDropM;
	let inertia = massKg * (qLow * lowDropM - lowDropM * lowDropM);
	if (!(lowDropM > 0) || !(inertia > 0)) return { feasible: false, reason: 'notShorter' };

	// Gauss–Newton on both, each time weighed by its own sureness. Two heights alone are met exactly by the start.
	const predicted = (heightM: number, i: number, z: number) => dropTime(massKg, i, heightM - z);
	let [nii, niz, nzz] = [0, 0, 0];
	for (let round = 0; round < 30; round += 1) {
		let [ri, rz] = [0, 0];
		[nii, niz, nzz] = [0, 0, 0];
		for (const { heightM, timeS, sigmaS } of drops) {
			const dropM = heightM - cgHeightM;
			const time = predicted(heightM, inertia, cgHeightM);
			if (time === null) return { feasible: false, reason: 'notShorter' };
			const total = inertia + massKg * dropM * dropM;
			const byInertia = time / (2 * total) / sigmaS;
			const byHeight = -((time / 2) * ((2 * massKg * dropM) / total - 1 / dropM)) / sigmaS;
			const miss = (timeS - time) / sigmaS;
			nii += byInertia * byInertia;
			niz += byInertia * byHeight;
			nzz += byHeight * byHeight;
			ri += byInertia * miss;
			rz += byHeight * miss;
		}
		const determinant = nii * nzz - niz * niz;
		const stepI = (ri * nzz - rz * niz) / determinant;
		const stepZ = (rz * nii - ri * niz) / determinant;
		// Half the way where the whole would leave the sled above its gimbal or without inertia.
		let share = 1;
		while (share > 1e-6 && (inertia + share * stepI <= 0 || cgHeightM + share * stepZ >= low)) share /= 2;
		inertia += share * stepI;
		cgHeightM += share * stepZ;
		if (Math.abs(stepI) < 1e-13 * inertia && Math.abs(stepZ) < 1e-14) break;
	}
	const determinant = nii * nzz - niz * niz;
	return {
		feasible: true,
		inertiaCgKgM2: inertia,
		inertiaSigmaKgM2: Math.sqrt(nzz / determinant),
		cgHeightM,
		cgHeightSigmaM: Math.sqrt(nii / determinant),
		residualsS: drops.map(({ heightM, timeS }) => timeS - (predicted(heightM, inertia, cgHeightM) ?? 0))
	};
}
