import { checksFor } from '../input';
import { armMoments, type CraneArm } from './craneArm';
import { momentAt } from './craneMoment';

export type DriftKind = 'floats' | 'seeks' | 'runsAway' | 'noseDown' | 'noseUp';

export interface CraneDrift {
	/** `seeks`: it comes to rest at an angle; `runsAway`: it falls away from one; `floats`: it stays anywhere. */
	readonly kind: DriftKind;
	/** That angle, nose-up positive, wherever it lies; null: there is none. */
	readonly restBoomRad: number | null;
	/** At both ends of the boom range, N·m, nose-down positive. */
	readonly momentAtEndsNm: readonly [number, number];
}

/** First moments this small beside the arm's own are rounding, kg·m. */
const nothingKgM = 1e-9;

/**
 * What an arm does when nobody holds it, over its boom range.
 *
 * Angles nose-up positive. The weight hung below the line through pivot and nose (`V < 0`) makes it seek an angle, above it
 * (`V > 0`) run away from one; with `V = 0` it floats or falls one way throughout. Friction, which holds small moments, is
 * left out. Throws `PhysicsInputError` for an arm or range without sense.
 *
 * The moment `g (U cos β − V sin β)` vanishes at `tan β = U/V`; there its slope is `−g V / cos β`, so it rights itself for V < 0.
 *
 * @example
 * craneDrift({ arm: { parts: [{ id: 'a', massKg: 1, uM: 1, vM: -1 }] }, boomRangeRad: [-1, 1] }).restBoomRad; // -0.7853981633974483
 */
export function craneDrift(input: {
	readonly arm: CraneArm;
	readonly boomRangeRad: readonly [number, number];
}): CraneDrift {
	const check = checksFor('craneDrift');
	const moments = armMoments('craneDrift', input.arm);
	const [low, high] = check.range('boomRangeRad', input.boomRangeRad);
	const momentAtEndsNm = [momentAt(moments, low), momentAt(moments, high)] as const;
	const { uKgM, vKgM } = moments;
	const lengthwise = input.arm.parts.reduce((sum, { massKg, uM }) => sum + Math.abs(massKg * uM), 0);
	const slack = nothingKgM * Math.max(1, lengthwise);
	if (Math.abs(vKgM) <= slack) {
		const kind = Math.abs(uKgM) <= slack ? 'floats' : uKgM > 0 ? 'noseDown' : 'noseUp';
		return { kind, restBoomRad: null, momentAtEndsNm };
	}
	return { kind: vKgM < 0 ? 'seeks' : 'runsAway', restBoomRad: Math.atan(uKgM / vKgM), momentAtEndsNm };
}
