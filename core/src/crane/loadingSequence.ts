import { checksFor } from '../input';
import { armMoments, type CraneArm, type CranePart } from './craneArm';
import { momentAt } from './craneMoment';

export interface LoadingStep {
	readonly id: string;
	readonly add?: readonly CranePart[];
	/** Ids of parts that come off. */
	readonly remove?: readonly string[];
	/** Somebody holds the arm while this is done and after it. */
	readonly held: boolean;
}

export interface LoadingResult {
	/** The moment once each step is done, N·m, nose-down positive. */
	readonly steps: readonly { readonly id: string; readonly momentNm: number; readonly ok: boolean }[];
	/** Of the steps that leave the arm to itself. */
	readonly largestFreeMomentNm: number;
	readonly refused: boolean;
	readonly refusedAt: string | null;
}

/**
 * Whether an order of loading or unloading ever leaves the arm free to swing.
 *
 * Each step adds and removes parts at `boomRad`; unheld, the arm may keep no more than `holdingLimitNm` (friction, a pin or a
 * lock) either way. Every step is reckoned, also past the first that is refused. Throws `PhysicsInputError` for a part that is
 * put on twice or taken off without being there, a limit below 0, or an arm without sense.
 *
 * @example
 * const arm = { parts: [{ id: 'tube', massKg: 2, uM: 1, vM: 0 }] };
 * loadingSequence({ arm, boomRad: 0, holdingLimitNm: 5, steps: [{ id: 'let go', held: false }] }).largestFreeMomentNm; // 19.6133
 */
export function loadingSequence(input: {
	readonly arm: CraneArm;
	readonly boomRad: number;
	readonly holdingLimitNm: number;
	readonly steps: readonly LoadingStep[];
}): LoadingResult {
	const check = checksFor('loadingSequence');
	const boomRad = check.number('boomRad', input.boomRad);
	const limitNm = check.atLeastZero('holdingLimitNm', input.holdingLimitNm);
	armMoments('loadingSequence', input.arm);
	check.uniqueIds('steps', check.list('steps', input.steps));

	let parts = [...input.arm.parts];
	const steps = input.steps.map((step, index) => {
		for (const id of step.remove ?? []) {
			if (!parts.some((part) => part.id === id)) check.fail(`steps[${index}].remove`, 'must be on the arm', id);
			parts = parts.filter((part) => part.id !== id);
		}
		parts = [...parts, ...(step.add ?? [])];
		const seen = new Set(parts.map(({ id }) => id));
		if (seen.size !== parts.length) check.fail(`steps[${index}].add`, 'must not be on the arm already', step.add);
		const momentNm = parts.length === 0 ? 0 : momentAt(armMoments('loadingSequence', { parts }), boomRad);
		return { id: step.id, momentNm, ok: step.held || Math.abs(momentNm) <= limitNm, held: step.held };
	});
	const first = steps.find(({ ok }) => !ok);
	return {
		steps: steps.map(({ id, momentNm, ok }) => ({ id, momentNm, ok })),
		largestFreeMomentNm: steps.reduce(
			(most, { held, momentNm }) => (held ? most : Math.max(most, Math.abs(momentNm))),
			0
		),
		refused: first !== undefined,
		refusedAt: first?.id ?? null
	};
}
