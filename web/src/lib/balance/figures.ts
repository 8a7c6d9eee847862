import {
	axisStates,
	type AxisState,
	balanceGimbal,
	balanceSteps,
	type BalanceStep,
	type Body,
	type GimbalBalance,
	mountPayload,
	PhysicsInputError
} from '@poise/core';
import type { Positions, Rig } from '$lib/model/rig';
import { printablePosition } from './reading';

/** Everything the gimbal bench shows, worked out from a rig, a payload and where the slides stand. */
export interface BenchFigures {
	readonly massKg: number;
	readonly fit: 'fits' | 'tooLight' | 'tooHeavy';
	readonly solution: GimbalBalance;
	/** Where the slides belong, at readings that a hand can set. */
	readonly targetsM: Positions;
	readonly steps: readonly BalanceStep[];
	readonly axes: readonly AxisState[];
	readonly poised: boolean;
	/** The slide whose turn it is; null when every slide stands where it should. */
	readonly next: BalanceStep | null;
}

export interface MountedBody {
	readonly id: string;
	readonly body: Body;
}

/** Solves the rig: the part that does not depend on where the slides stand today. */
export function solveBench(rig: Rig, bodies: readonly MountedBody[]): GimbalBalance {
	const chain = mountPayload({ rig: rig.geometry, payload: bodies });
	return balanceGimbal({ chain, options: { counterweightPlaces: rig.geometry.counterweightPlaces } });
}

export function benchFigures(
	rig: Rig,
	bodies: readonly MountedBody[],
	positionsM: Positions,
	solution: GimbalBalance = solveBench(rig, bodies)
): BenchFigures {
	const massKg = bodies.reduce((sum, { body }) => sum + body.massKg, 0);
	const targetsM = settableTargets(rig, solution);
	const { steps, poised } = balanceSteps({ rig: rig.geometry, payload: bodies, positionsM, targetsM });
	return {
		massKg,
		fit: massKg < rig.leastPayloadKg ? 'tooLight' : massKg > rig.greatestPayloadKg ? 'tooHeavy' : 'fits',
		solution,
		targetsM,
		steps,
		axes: axisStates({ chain: mountPayload({ rig: rig.geometry, payload: bodies }), positionsM }),
		poised,
		next: nextStep(steps, poised)
	};
}

/** The solved positions, each moved to the nearest reading its scale can show. */
function settableTargets(rig: Rig, solution: GimbalBalance): Positions {
	return Object.fromEntries(
		rig.geometry.slides.map((slide, index) => [
			slide.id,
			printablePosition(slide, solution.slides[index]?.positionM ?? 0)
		])
	);
}

/** Below this a hand cannot tell a move from none. */
const leastMoveM = 0.0002;

/** The first slide out of place; once all are placed but an axis still leans, the one furthest from its target. */
function nextStep(steps: readonly BalanceStep[], poised: boolean): BalanceStep | null {
	const out = steps.find(({ placed }) => !placed);
	if (out !== undefined || poised) return out ?? null;
	const furthest = steps.reduce<BalanceStep | null>(
		(most, step) => (Math.abs(step.moveM) > Math.abs(most?.moveM ?? 0) ? step : most),
		null
	);
	return furthest !== null && Math.abs(furthest.moveM) > leastMoveM ? furthest : null;
}

/** Where every slide stands: what was read, and mid-travel for what was not. */
export function completePositions(rig: Rig, read: Positions): Positions {
	return Object.fromEntries(rig.geometry.slides.map(({ id, rangeM }) => [id, read[id] ?? (rangeM[0] + rangeM[1]) / 2]));
}

/** The figures, or null where the payload holds nothing that can be worked out yet. */
export function tryFigures<T>(work: () => T): T | null {
	try {
		return work();
	} catch (thrown) {
		if (thrown instanceof PhysicsInputError) return null;
		throw thrown;
	}
}
