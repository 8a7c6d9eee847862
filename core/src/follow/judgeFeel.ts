import { type FeelLimit, type FeelPoint, over, type readFeel } from './feelAt';
import { followResponse } from './followResponse';
import { walkShake } from './walkShake';

/** What settings really do, by the response itself: the shake of the whole walk, and each wish as a share of itself. */
export function judgeFeel(feel: ReturnType<typeof readFeel>, point: FeelPoint) {
	const { plant, limits, wishes, panRadPerS, turnRad } = feel;
	const [followPerS, deadbandRad, smoothS, naturalRadPerS] = point;
	const settings = { followPerS, deadbandRad, smoothS, ...limits };
	const { inertia: inertiaKgM2, damping, coupling: couplingNmS, delay: delayS, moment: firstMomentKgM } = plant;
	const motor = { inertiaKgM2, damping, couplingNmS, delayS, naturalRadPerS };
	const { shakeRad } = walkShake({ settings, plant: { ...motor, firstMomentKgM }, walk: feel.walk });
	const endS = Math.max(6, wishes.settleS < Infinity ? 3 * wishes.settleS : 0);
	const turn = followResponse({
		...{ settings, plant: motor, endS, atS: [] },
		handle: { kind: 'step', angleRad: turnRad, atS: 0 }
	});
	const lagRad = deadbandRad + panRadPerS / followPerS;
	const [settleS, overshootRad] = [turn.settleS ?? endS, turn.overshootRad];
	const shares: Record<FeelLimit, number> = {
		lagRad: lagRad / wishes.lagRad,
		settleS: turn.settleS === null && wishes.settleS < Infinity ? Infinity : settleS / wishes.settleS,
		overshootRad: overshootRad / wishes.overshootRad,
		phaseMargin: naturalRadPerS / feel.stiffest
	};
	const missed = Object.values(shares).reduce((sum, share) => sum + over(share), 0);
	return {
		followPerS,
		deadbandRad,
		smoothS,
		naturalRadPerS,
		shakeRad,
		lagRad,
		settleS,
		overshootRad,
		shares,
		missed
	};
}
