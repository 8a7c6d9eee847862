import { imbalanceSag } from '@poise/core';
import type { Turning, TurningAxis } from '$lib/model/turning';
import { reckonedResidualNm } from './looks';
import type { ModeSheet } from './model';

/** What the balance as it stands costs on one axis. */
export interface Costs {
	readonly residualNm: number;
	/** How far it leans in the worst pose, as the motor is set. */
	readonly sagRad: number;
	/** What holding takes of the motor; null where nobody knows the motor. */
	readonly motorShare: number | null;
	/** Of one set of batteries; null without a power sheet. */
	readonly minutes: number | null;
}

/** What a motor draws goes with the square of its current, and so of its torque. */
export const drawnW = (share: number, fullW: number): number => Math.min(1, share) ** 2 * fullW;

export function costsOf(
	sheet: Pick<ModeSheet, 'looks' | 'fullDrawW'>,
	payloadId: string,
	axis: TurningAxis,
	turning: Turning,
	naturalRadPerS: number,
	minutesLess: (watts: number) => number | null
): Costs {
	const residualNm = reckonedResidualNm(sheet, payloadId, axis, turning);
	const motorShare = turning.motorNm === null ? null : residualNm / turning.motorNm;
	return {
		residualNm,
		sagRad: imbalanceSag({ residualTorqueNm: residualNm, inertiaKgM2: turning.inertiaKgM2, naturalRadPerS }).sagRad,
		motorShare,
		minutes: motorShare === null ? null : minutesLess(drawnW(motorShare, sheet.fullDrawW))
	};
}
