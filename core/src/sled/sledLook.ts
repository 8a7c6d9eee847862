import { checksFor } from '../input';
import { standardGravityMPerS2 } from '../mass/body';
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

/** A hand never sets a post nearer than this, so a look never tells more. */
const handM = 1e-4;

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

/** How far the corrected sled is from doing what was seen, in standard deviations. */
export function missOf(look: SledLook, totals: SledTotals): number {
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
