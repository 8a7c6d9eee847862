import { inverse, Matrix } from 'ml-matrix';
import { checksFor } from '../input';
import { standardGravityMPerS2, type Vec3 } from '../mass/body';
import { correctedTotals, type SledCorrection } from './correctSled';
import { dropConstant } from './dropTime';
import { planeOf, type Sled, type SledPlane, type SledTotals, sledTotals } from './sled';
import { spinPlane, standingNm } from './steadyLean';

/** One look at the sled, with its parts as they stood then, as drawn. */
export type SledLook = { readonly sled: Sled; readonly plane: SledPlane } & (
	| {
			/** Let go upright, the post came to rest leaning so: top forward, or to the camera's left, positive. */
			readonly kind: 'rest';
			readonly leanRad: number;
			readonly sigmaRad: number;
	  }
	| {
			/** From level to first vertical. */
			readonly kind: 'drop';
			readonly dropTimeS: number;
			readonly sigmaS: number;
	  }
	| {
			/** Turning steadily at this rate, the post leaned so. */
			readonly kind: 'spin';
			readonly leanRad: number;
			readonly sigmaRad: number;
			readonly spinRadPerS: number;
			/** Of the rate. */
			readonly spinSigmaRadPerS: number;
	  }
);

/** One standard deviation of what the drawing may have wrong. */
export interface SledDoubt {
	readonly firstMomentKgM: Vec3;
	readonly productKgM2: number;
}

export interface SledEstimate {
	readonly correction: SledCorrection;
	/** One standard deviation of each; what no look touched keeps its doubt. */
	readonly sigma: { readonly firstMomentKgM: Vec3; readonly xzKgM2: number; readonly yzKgM2: number };
}

/** A hand never sets a post nearer than this, so a look never tells more. */
const handM = 1e-4;

/**
 * What a sled's looks say it has wrong: one estimate from rest leans, drop times and spins together.
 *
 * `looks` in any order, each with the sled as drawn when it was taken; `doubt` is how wrong the drawing may be; the part
 * `carrierId` is the one known least (usually the camera on its plate). Throws `PhysicsInputError` for a carrier that is not
 * there, a doubt or a sigma that is not more than 0, or a look without sense.
 *
 * Least squares with a prior (the doubt), Gauss–Newton with halved steps. A rest lean must satisfy `h sin α = x cos α`; a
 * spin the steady balance of gravity and spin that {@link steadyLean} solves, at the lean seen, so that no root need be chosen;
 * each is divided by how much its own error would unsettle it.
 *
 * @example
 * const sled = { parts: [{ id: 'all', body: { massKg: 10, cgM: [0, 0, 0.5] } }], gimbalHeightM: 0.51 };
 * const looks = [{ kind: 'rest', plane: 'fore', sled, leanRad: 0, sigmaRad: 0.01 }];
 * estimateSled({ looks, carrierId: 'all', doubt: { firstMomentKgM: [0.05, 0.05, 0.05], productKgM2: 0.02 } }).correction.firstMomentKgM[0]; // 0
 */
export function estimateSled(input: {
	readonly looks: readonly SledLook[];
	readonly doubt: SledDoubt;
	readonly carrierId: string;
}): SledEstimate {
	const check = checksFor('estimateSled');
	const doubts = [
		...check.vector('doubt.firstMomentKgM', input.doubt.firstMomentKgM),
		input.doubt.productKgM2,
		input.doubt.productKgM2
	].map((sigma, index) => check.positive(`doubt[${index}]`, sigma));
	input.looks.forEach((look, index) => {
		if ('sigmaRad' in look) {
			check.positive(`looks[${index}].sigmaRad`, look.sigmaRad);
			if (Math.abs(check.number(`looks[${index}].leanRad`, look.leanRad)) >= Math.PI / 2)
				check.fail(`looks[${index}].leanRad`, 'must be less than a right angle', look.leanRad);
		}
		if (look.kind === 'drop') {
			check.positive(`looks[${index}].sigmaS`, look.sigmaS);
			check.positive(`looks[${index}].dropTimeS`, look.dropTimeS);
		}
		if (look.kind === 'spin') check.positive(`looks[${index}].spinRadPerS`, look.spinRadPerS);
	});

	const seen = input.looks.map((look, index) => {
		const carrier = look.sled.parts.find(({ id }) => id === input.carrierId)?.body;
		if (carrier === undefined || !(carrier.massKg > 0))
			return check.fail('carrierId', `must be a part with some mass of looks[${index}].sled`, input.carrierId);
		return { look, carrier, drawn: sledTotals('estimateSled', look.sled) };
	});
	const misses = (values: readonly number[]): number[] => {
		const correction = correctionFrom(values);
		return [
			...values.map((value, index) => value / doubts[index]!),
			...seen.map(({ look, carrier, drawn }) => missOf(look, correctedTotals(drawn, carrier, correction)))
		];
	};
	const costOf = (all: readonly number[]) => all.reduce((sum, miss) => sum + miss * miss, 0);

	let values = doubts.map(() => 0);
	let now = misses(values);
	let normal = Matrix.eye(doubts.length);
	for (let round = 0; round < 40; round += 1) {
		const jacobian = new Matrix(now.length, doubts.length);
		doubts.forEach((sigma, column) => {
			const step = sigma * 1e-4;
			const plus = misses(values.map((value, index) => value + (index === column ? step : 0)));
			const minus = misses(values.map((value, index) => value - (index === column ? step : 0)));
			plus.forEach((miss, row) => jacobian.set(row, column, (miss - minus[row]!) / (2 * step)));
		});
		normal = jacobian.transpose().mmul(jacobian);
		const gradient = jacobian.transpose().mmul(Matrix.columnVector(now));
		const whole = inverse(normal).mmul(gradient).to1DArray();
		const cost = costOf(now);
		let share = 1;
		let tried = misses(values.map((value, index) => value - whole[index]!));
		while (costOf(tried) > cost && share > 1e-4) {
			share /= 2;
			tried = misses(values.map((value, index) => value - share * whole[index]!));
		}
		if (costOf(tried) > cost) break;
		values = values.map((value, index) => value - share * whole[index]!);
		const gained = cost - costOf(tried);
		now = tried;
		if (gained < 1e-10 * (1 + cost)) break;
	}
	const covariance = inverse(normal);
	const sigma = doubts.map((_, index) => Math.sqrt(covariance.get(index, index)));
	return {
		correction: correctionFrom(values),
		sigma: { firstMomentKgM: [sigma[0]!, sigma[1]!, sigma[2]!], xzKgM2: sigma[3]!, yzKgM2: sigma[4]! }
	};
}

const correctionFrom = (values: readonly number[]): SledCorrection => ({
	firstMomentKgM: [values[0]!, values[1]!, values[2]!],
	xzKgM2: values[3]!,
	yzKgM2: values[4]!
});

/** How far the corrected sled is from doing what was seen, in standard deviations. */
function missOf(look: SledLook, totals: SledTotals): number {
	const { axis, own } = planeOf[look.plane];
	const { massKg, cgM, inertiaKgM2, dropHeightM } = totals;
	if (look.kind === 'rest') {
		const [sine, cosine] = [Math.sin(look.leanRad), Math.cos(look.leanRad)];
		const slope = dropHeightM * cosine + cgM[axis] * sine;
		return (dropHeightM * sine - cgM[axis] * cosine) / Math.hypot(slope * look.sigmaRad, handM);
	}
	if (look.kind === 'drop') {
		// In height, not in time: smooth also where a correction under trial would make the sled top-heavy.
		const gyration = inertiaKgM2[own] / massKg;
		const q = standardGravityMPerS2 * (look.dropTimeS / dropConstant) ** 2;
		const larger = (q + Math.sqrt(Math.max(0, q * q - 4 * gyration))) / 2;
		const seenM = gyration / larger;
		const sigmaM = Math.hypot((2 * seenM * look.sigmaS) / look.dropTimeS, handM);
		return (seenM - dropHeightM) / sigmaM;
	}
	const plane = spinPlane(totals, look.plane);
	const at = (lean: number, rate: number) => standingNm(plane, rate, lean);
	const stepRad = 1e-5;
	const byLean =
		(at(look.leanRad + stepRad, look.spinRadPerS) - at(look.leanRad - stepRad, look.spinRadPerS)) / (2 * stepRad);
	const stepRate = 1e-5;
	const byRate =
		(at(look.leanRad, look.spinRadPerS + stepRate) - at(look.leanRad, look.spinRadPerS - stepRate)) / (2 * stepRate);
	// What a hand's play moves the centre between the stands of one sled.
	const floor = massKg * standardGravityMPerS2 * (handM / 2);
	return at(look.leanRad, look.spinRadPerS) / Math.hypot(byLean * look.sigmaRad, byRate * look.spinSigmaRadPerS, floor);
}
