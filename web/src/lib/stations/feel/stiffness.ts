import { imbalanceSag, radFromDeg, stiffestNatural } from '@poise/core';
import type { Turning, TurningAxis, Turnings } from '$lib/model/turning';
import { motorsOf } from './figures';
import { reckonedDelayS, reckonedResidualNm } from './looks';
import type { AllSettings, ModeSheet } from './model';
import { loopOf, ownFor } from './scales';

/** More lean than this shows on screen. */
export const sagRad = radFromDeg(1);

/** Where one motor stands on the scale of stiffness with what it carries. */
export interface AxisStiffness {
	readonly axis: TurningAxis;
	readonly turning: Turning;
	readonly own: number;
	readonly loop: ReturnType<typeof loopOf>;
	readonly residualNm: number;
	/** Softer than this it leans. */
	readonly sagging: number;
	/** Even at its stiffest it leans. */
	readonly alwaysSags: boolean;
	/** The stiffest that leaves a margin of 45°. */
	readonly best: number;
	readonly buzzing: { readonly setting: number; readonly within: boolean };
	readonly leanRad: number;
}
/** One figure is set for all motors: the one that may be set least stiff decides how stiff, the one that leans first how soft. */
export interface CommonStiffness {
	readonly most: number;
	readonly decides: TurningAxis;
	readonly least: number;
	readonly sags: TurningAxis;
	/** What one needs another does not bear. */
	readonly clash: boolean;
	/** What to set; null: all stand well. */
	readonly advice: number | null;
}

export function stiffnessOf(
	sheet: ModeSheet,
	payloadId: string,
	turnings: Turnings,
	now: AllSettings
): { readonly axes: readonly AxisStiffness[]; readonly common: CommonStiffness | null } {
	const scale = sheet.scales.stiffness;
	const delayS = reckonedDelayS(sheet);
	const edge = (phaseMarginRad: number) =>
		stiffestNatural({ damping: sheet.damping, delayS, phaseMarginRad }).naturalRadPerS;
	const axes = motorsOf(turnings).flatMap((axis): AxisStiffness[] => {
		const turning = turnings[axis];
		if (turning === undefined) return [];
		const own = now[axis].stiffness;
		const loop = loopOf(scale, own, turning);
		const residualNm = reckonedResidualNm(sheet, payloadId, axis, turning);
		const ownAt = (naturalRadPerS: number, round?: (setting: number) => number) =>
			ownFor(scale, (naturalRadPerS ** 2 * turning.inertiaKgM2) / loop.fullNmPerRad, round);
		const sagging = ownFor(scale, residualNm / sagRad / loop.fullNmPerRad, Math.ceil);
		return [
			{
				...{ axis, turning, own, loop, residualNm },
				sagging: sagging.setting,
				alwaysSags: !sagging.within && residualNm / sagRad > loop.fullNmPerRad * scale.atMost,
				best: ownAt(edge(Math.PI / 4), Math.floor).setting,
				buzzing: ownAt(edge(0)),
				leanRad: imbalanceSag({
					residualTorqueNm: residualNm,
					inertiaKgM2: turning.inertiaKgM2,
					naturalRadPerS: loop.naturalRadPerS
				}).sagRad
			}
		];
	});
	const first = axes[0];
	if (first === undefined) return { axes, common: null };
	const decides = axes.reduce((least, each) => (each.best < least.best ? each : least), first);
	const sags = axes.reduce((worst, each) => (each.sagging > worst.sagging ? each : worst), first);
	const [most, least] = [decides.best, sags.sagging];
	const wrong = axes.some(({ own }) => own > most || own < Math.min(least, most));
	return {
		axes,
		common: {
			...{ most, decides: decides.axis, least, sags: sags.axis },
			clash: least > most,
			advice: !wrong ? null : axes.some(({ own }) => own > most) ? most : Math.min(least, most)
		}
	};
}
