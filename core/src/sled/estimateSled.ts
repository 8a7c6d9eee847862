/* eslint-disable max-lines -- one method, with its derivation beside it. */
import { inverse, Matrix } from 'ml-matrix';
import { checksFor } from '../input';
import { chiSquarePoint } from '../numeric/chiSquare';
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
	/** One standard deviation of each; what no look touched keeps its doubt. Looks that clash make all of them wider, by as much as they do. */
	readonly sigma: { readonly firstMomentKgM: Vec3; readonly xzKgM2: number; readonly yzKgM2: number };
	/** By how much the doubts had to be widened before the looks fitted; 1: they fit the drawing as it is doubted. */
	readonly widenedBy: number;
	/** The looks do not fit each other, however wrong the drawing may be: one of them is a slip, or something moved. */
	readonly looksClash: boolean;
	/** Among looks that clash, by its index: the one without which they fit best, and how many of its own errors it is off; null: none. */
	readonly outlier: { readonly index: number; readonly offBy: number } | null;
}

/** Doubts are never widened further: past this a drawing says nothing at all. */
const mostWidened = 1000;

/** A hand never sets a post nearer than this, so a look never tells more. */
const handM = 1e-4;

/**
 * What a sled's looks say it has wrong: one estimate from rest leans, drop times and spins together.
 *
 * `looks` in any order, each with the sled as drawn when it was taken; `doubt` is how wrong the drawing may be; the part
 * `carrierId` is the one known least (usually the camera on its plate). Throws `PhysicsInputError` for a carrier that is not
 * there, a doubt or a sigma that is not more than 0, or a look without sense.
 *
 * What was seen outweighs what was drawn: `χ²` of drawing and looks together has one degree of freedom a look when the
 * doubts are honest. Where it exceeds that law's 95 % point, doubts are widened by one factor, the least that brings `χ²`
 * back to its expectation; the looks' own errors stay as they are. Only those doubts are widened that a look which does not
 * fit speaks of (a lean at rest of the moment across its plane, a drop of the height, a spin of its product), and all of them
 * only where that is not enough: a spin should not move a centre that hangs true. Looks that nothing makes fit clash: all deviations
 * are widened by the root of `χ²` over its expectation, and where one look left out makes the others fit, or takes away most, it is named.
 * Nothing is left out of itself.
 *
 * Least squares with a prior (the doubt). A rest lean must satisfy `h sin α = x cos α`; a
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
	const fitted = (widenedBy: number, which: readonly boolean[], start: readonly number[]) =>
		fit(
			start,
			doubts.map((sigma, index) => (which[index] === true ? sigma * widenedBy : sigma)),
			(values) => {
				const correction = correctionFrom(values);
				return seen.map(({ look, carrier, drawn }) => missOf(look, correctedTotals(drawn, carrier, correction)));
			}
		);
	/** The least factor that brings χ² down to its expectation, or as far as looks that clash let it come. */
	const widenedUntilFit = (which: readonly boolean[], from: Fit) => {
		let best = fitted(mostWidened, which, from.values);
		const enough = Math.max(seen.length, best.chiSquare + 1);
		let [least, most] = [1, mostWidened];
		// To a twentieth, on a scale of shares.
		while (most / least > 1.05) {
			const between = Math.sqrt(least * most);
			const tried = fitted(between, which, best.values);
			if (tried.chiSquare > enough) least = between;
			else [most, best] = [between, tried];
		}
		return { widenedBy: most, best };
	};

	const mostChiSquare = chiSquarePoint(Math.max(1, seen.length), 1.645);
	let widenedBy = 1;
	let found = fitted(1, [], nothing);
	if (found.chiSquare > mostChiSquare) {
		({ widenedBy, best: found } = widenedUntilFit(doubtsAskedBy(input.looks, found.lookMisses), found));
		if (found.chiSquare > mostChiSquare) {
			const all = widenedUntilFit(
				doubts.map(() => true),
				found
			);
			// Where all doubts together are no better, the narrower word stands.
			if (all.best.chiSquare < found.chiSquare - 1) ({ widenedBy, best: found } = all);
		}
	}
	const { values } = found;
	const looksClash = found.chiSquare > mostChiSquare;
	const wider = looksClash ? Math.sqrt(found.chiSquare / seen.length) : 1;
	const sigma = found.sigma.map((each) => each * wider);
	return {
		correction: correctionFrom(values),
		sigma: { firstMomentKgM: [sigma[0]!, sigma[1]!, sigma[2]!], xzKgM2: sigma[3]!, yzKgM2: sigma[4]! },
		widenedBy,
		looksClash,
		outlier: looksClash ? outlierOf(input, found.chiSquare) : null
	};
}

/** A look that takes less than this share of what does not fit with it is not the one. */
const mostOfIt = 0.5;

/** The look without which the others fit best. */
function outlierOf(
	input: { readonly looks: readonly SledLook[]; readonly doubt: SledDoubt; readonly carrierId: string },
	chiSquare: number
): SledEstimate['outlier'] {
	const { looks, doubt, carrierId } = input;
	if (looks.length < 3) return null;
	const doubts = [...doubt.firstMomentKgM, doubt.productKgM2, doubt.productKgM2].map((sigma) => sigma * mostWidened);
	let best: { index: number; values: readonly number[]; left: number } | null = null;
	for (const index of looks.keys()) {
		const others = looks
			.filter((_, which) => which !== index)
			.map((look) => ({
				look,
				carrier: look.sled.parts.find(({ id }) => id === carrierId)!.body,
				drawn: sledTotals('estimateSled', look.sled)
			}));
		const { values, chiSquare: left } = fit(nothing, doubts, (at) => {
			const correction = correctionFrom(at);
			return others.map(({ look, carrier, drawn }) => missOf(look, correctedTotals(drawn, carrier, correction)));
		});
		if (best === null || left < best.left) best = { index, values, left };
	}
	if (best === null || chiSquare - best.left < mostOfIt * (chiSquare - looks.length)) return null;
	const correction = correctionFrom(best.values);
	const offBy = Math.abs(sledLookMiss({ look: looks[best.index]!, correction, carrierId }));
	return offBy > 3 ? { index: best.index, offBy } : null;
}

/** A look this many of its own errors away does not fit; where none is, the furthest speaks for all. */
const missedBy = 1.6;

/** Which of the five doubts (moments across, along and up, two products) the looks that do not fit speak of. */
function doubtsAskedBy(looks: readonly SledLook[], lookMisses: readonly number[]): boolean[] {
	const furthest = Math.max(...lookMisses.map(Math.abs));
	const asked = looks.flatMap(({ kind, plane }, index) => {
		if (Math.abs(lookMisses[index] ?? 0) < Math.min(missedBy, furthest)) return [];
		const side = plane === 'side';
		if (kind === 'drop') return [2];
		return kind === 'rest' ? [side ? 1 : 0] : [side ? 4 : 3];
	});
	return [0, 1, 2, 3, 4].map((index) => asked.includes(index));
}

interface Fit {
	readonly values: readonly number[];
	readonly sigma: readonly number[];
	readonly chiSquare: number;
	readonly lookMisses: readonly number[];
}
const nothing: readonly number[] = [0, 0, 0, 0, 0];

/** Gauss–Newton with halved steps on the doubts and the looks together. */
function fit(
	start: readonly number[],
	doubts: readonly number[],
	lookMisses: (values: readonly number[]) => readonly number[]
): Fit {
	const misses = (at: readonly number[]) => [...at.map((value, index) => value / doubts[index]!), ...lookMisses(at)];
	const costOf = (all: readonly number[]) => all.reduce((sum, miss) => sum + miss * miss, 0);

	let values = start;
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
	return {
		values,
		sigma: doubts.map((_, index) => Math.sqrt(covariance.get(index, index))),
		chiSquare: costOf(now),
		lookMisses: now.slice(doubts.length)
	};
}

/**
 * How far a sled put right by `correction` is from doing what was seen, in that look's own standard deviations; 0: it does
 * just that. Signs say nothing across kinds of look. Throws `PhysicsInputError` where the carrier is missing or weighs nothing.
 */
export function sledLookMiss(input: {
	readonly look: SledLook;
	readonly correction: SledCorrection;
	readonly carrierId: string;
}): number {
	const { look, correction, carrierId } = input;
	const carrier = look.sled.parts.find(({ id }) => id === carrierId)?.body;
	if (carrier === undefined || !(carrier.massKg > 0))
		return checksFor('sledLookMiss').fail('carrierId', 'must be a part with some mass of look.sled', carrierId);
	return missOf(look, correctedTotals(sledTotals('sledLookMiss', look.sled), carrier, correction));
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
