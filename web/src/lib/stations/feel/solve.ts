import { type Feel, type FeelLimit, solveFeel, type SolveFeelInput } from '@poise/core';
import type { Turning } from '$lib/model/turning';
import type { AxisModel } from './figures';
import { type ModeSheet, type OwnSettings, type Shot } from './model';
import { loopOf, ownFor } from './scales';
import { handleOf } from './gestures';
import { isWalk, walkOf, wantedWith } from './shots';

/** Stops of the slider from quick to calm. */
export const calmStops = [-1, -0.75, -0.5, -0.25, 0, 0.25, 0.5, 0.75, 1] as const;
/** How much later a shot may be at its calmest than it asks, and how much sooner at its quickest. */
const calmest = 2;

/** Below this a wish for overshoot is none: it cannot be asked to be nothing at all. */
const leastWish = 1e-3;

/**
 * What is looked for: least shake in the shot's steps, within its wishes, on this gimbal's scales with this payload, no stiffer than all of its
 * motors bear.
 */
export function solveInput(
	sheet: ModeSheet,
	model: AxisModel,
	turning: Turning,
	shot: Shot,
	lens: { readonly focalM: number; readonly sensorWidthM: number },
	calm: number,
	stiffest: number
): SolveFeelInput {
	const { follow, deadband, smooth, stiffness } = sheet.scales;
	const times = calmest ** calm;
	const { lagRad, settleS, overshootRad } = wantedWith(shot, lens);
	const turn = handleOf(isWalk(shot.gesture) ? 'quarterTurn' : shot.gesture);
	const turnRad = turn.kind === 'ramp' ? Math.abs(turn.rateRadPerS * (turn.toS - turn.fromS)) : Math.PI / 2;
	const rate = (setting: number) => loopOf(stiffness, setting, turning).naturalRadPerS;
	return {
		plant: {
			inertiaKgM2: turning.inertiaKgM2,
			damping: sheet.damping,
			couplingNmS: model.plant.couplingNmS,
			delayS: model.plant.delayS,
			firstMomentKgM: model.firstMomentKgM,
			maxRateRadPerS: model.settings.maxRateRadPerS,
			maxAccelRadPerS2: model.settings.maxAccelRadPerS2
		},
		walk: walkOf[shot.walk],
		wanted: {
			...(lagRad === null ? {} : { lagRad: lagRad * times }),
			...(settleS === null ? {} : { settleS: settleS * times }),
			...(overshootRad === null ? {} : { overshootRad: Math.max(leastWish, overshootRad) }),
			panRadPerS: shot.panRadPerS,
			turnRad
		},
		ranges: {
			followPerS: [follow.atLeast, follow.atMost],
			deadbandRad: [deadband.atLeast, deadband.atMost],
			smoothS: [smooth.atLeast, smooth.atMost],
			naturalRadPerS: [
				rate(stiffness.least),
				rate(Math.max(stiffest, stiffness.least + 1e-3 * (stiffness.most - stiffness.least)))
			]
		}
	};
}

/** What was found, and what giving up half as much again of each wish that binds would take off the shake, as shares. */
export interface Solved {
	readonly calm: number;
	readonly feel: Feel;
	readonly wins: readonly { readonly limit: FeelLimit; readonly less: number }[];
}

/** How much of a wish is given up to see what it wins. */
const givenUp = 1.5;

export function solveWithWins(calm: number, input: SolveFeelInput): Solved {
	const feel = solveFeel(input);
	const wins = feel.binding.flatMap((limit) => {
		const eased = easedBy(input, limit);
		if (eased === null || feel.shakeRad <= 0) return [];
		return [{ limit, less: Math.max(0, 1 - solveFeel(eased).shakeRad / feel.shakeRad) }];
	});
	return { calm, feel, wins };
}
function easedBy(input: SolveFeelInput, limit: FeelLimit): SolveFeelInput | null {
	if (limit === 'phaseMargin') return null;
	const wanted = input.wanted[limit];
	return wanted === undefined ? null : { ...input, wanted: { ...input.wanted, [limit]: wanted * givenUp } };
}

/**
 * A solution on the gimbal's own scales, whole figures a menu takes: rounded to the side that keeps its wishes, so follow up,
 * dead band and stiffness down, smoothing to the nearest.
 */
export function ownOf(sheet: ModeSheet, turning: Turning, feel: Feel, stiffest: number): OwnSettings {
	const { follow, deadband, smooth, stiffness } = sheet.scales;
	const { fullNmPerRad } = loopOf(stiffness, stiffness.most, turning);
	return {
		follow: ownFor(follow, feel.followPerS, Math.ceil).setting,
		deadband: ownFor(deadband, feel.deadbandRad, Math.floor).setting,
		smooth: ownFor(smooth, feel.smoothS).setting,
		stiffness: Math.min(
			stiffest,
			ownFor(stiffness, (feel.naturalRadPerS ** 2 * turning.inertiaKgM2) / fullNmPerRad, Math.floor).setting
		)
	};
}

export const limitWords: Readonly<Record<FeelLimit, { readonly name: string; readonly more: string }>> = {
	lagRad: { name: 'How far it may lag', more: 'Half as much lag again' },
	settleS: { name: 'How soon it must stand', more: 'Half as long again to settle' },
	overshootRad: { name: 'How far it may swing past', more: 'Half as much overshoot again' },
	phaseMargin: { name: 'The motor’s buzz', more: '' }
};
/** One or more limits as the beginning of a sentence. */
export function limitsNamed(limits: readonly FeelLimit[]): string {
	const words = limits
		.map((limit) => limitWords[limit].name)
		.map((name, k) => (k === 0 ? name : name[0]!.toLowerCase() + name.slice(1)));
	return words.length < 2 ? (words[0] ?? '') : `${words.slice(0, -1).join(', ')} and ${words[words.length - 1]!}`;
}
