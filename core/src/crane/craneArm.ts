import { checksFor } from '../input';

/**
 * One part of a crane's arm, in the arm's own frame: u along the arm, positive to the nose; v square to it, positive up with
 * the arm level; both from the pivot.
 */
export interface CranePart {
	readonly id: string;
	readonly massKg: number;
	readonly uM: number;
	readonly vM: number;
	/**
	 * `level`: hung on a hinge that the linkage keeps level, which `uM`, `vM` then name; it translates without turning.
	 * `fixed`, or absent: it turns with the arm.
	 */
	readonly kept?: 'level' | 'fixed';
	/** Of a part kept level: its own centre of gravity from the hinge, forward and up. Counts for stability, not for the moment. */
	readonly levelOffsetM?: readonly [forward: number, up: number];
}

export interface CraneArm {
	readonly parts: readonly CranePart[];
}

/** First moments about the pivot, as the arm feels them. */
export interface ArmMoments {
	readonly massKg: number;
	/** Σ m u and Σ m v, kg·m. */
	readonly uKgM: number;
	readonly vKgM: number;
	/** What parts kept level carry off their hinges, forward and up; kg·m. */
	readonly levelForwardKgM: number;
	readonly levelUpKgM: number;
}

/**
 * First moments of an arm, checked at the door of `call`.
 *
 * A part kept level moves as its hinge moves, so by virtual work its weight pulls at the hinge, wherever its own centre is.
 */
export function armMoments(call: string, arm: CraneArm): ArmMoments {
	const check = checksFor(call);
	if (typeof arm !== 'object' || arm === null) check.fail('arm', 'must be an arm { parts }', arm);
	const parts = check.list('arm.parts', arm.parts);
	check.uniqueIds('arm.parts', parts);
	let [massKg, uKgM, vKgM, levelForwardKgM, levelUpKgM] = [0, 0, 0, 0, 0];
	parts.forEach((part, index) => {
		const at = `arm.parts[${index}]`;
		const mass = check.atLeastZero(`${at}.massKg`, part.massKg);
		massKg += mass;
		uKgM += mass * check.number(`${at}.uM`, part.uM);
		vKgM += mass * check.number(`${at}.vM`, part.vM);
		if (part.kept !== undefined && part.kept !== 'level' && part.kept !== 'fixed')
			check.fail(`${at}.kept`, "must be 'level' or 'fixed'", part.kept);
		if (part.kept !== 'level' || part.levelOffsetM === undefined) return;
		levelForwardKgM += mass * check.number(`${at}.levelOffsetM[0]`, part.levelOffsetM[0]);
		levelUpKgM += mass * check.number(`${at}.levelOffsetM[1]`, part.levelOffsetM[1]);
	});
	return { massKg, uKgM, vKgM, levelForwardKgM, levelUpKgM };
}
