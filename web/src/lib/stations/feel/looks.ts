import { delayFromBuzz, median } from '@poise/core';
import type { Turning, TurningAxis } from '$lib/model/turning';
import type { ModeSheet, StiffnessLook } from './model';

/** Buzzes that count: of any payload, since the delay is the gimbal's own. */
const buzzes = ({ looks }: Pick<ModeSheet, 'looks'>) =>
	looks.filter(({ kind, struck }) => kind === 'buzzes' && !struck);

/** How late the motors' loop is: as assumed, or in the middle of what the buzzes tell. */
export function reckonedDelayS(sheet: Pick<ModeSheet, 'looks' | 'delayS' | 'damping'>): number {
	const seen = buzzes(sheet).map(
		({ naturalRadPerS }) => delayFromBuzz({ naturalRadPerS, damping: sheet.damping }).delayS
	);
	return seen.length === 0 ? sheet.delayS : median(seen);
}

/** A balance that came to this much less or more since is another one. */
const sameBalance = 0.05;

/** The sags that count for one axis of one payload, balanced as it is now; the newest speaks. */
export function sagSeen(
	sheet: Pick<ModeSheet, 'looks'>,
	payloadId: string,
	axis: TurningAxis,
	{ residualNm }: Pick<Turning, 'residualNm'>
): StiffnessLook | null {
	const same = (then: number) => Math.abs(then - residualNm) <= sameBalance * Math.max(then, residualNm) + 1e-6;
	return (
		sheet.looks.findLast(
			(look) =>
				look.kind === 'sags' &&
				!look.struck &&
				look.payloadId === payloadId &&
				look.axis === axis &&
				same(look.residualNm)
		) ?? null
	);
}

/** What the balance pulls with: as computed, or as a sag that was seen tells. */
export function reckonedResidualNm(
	sheet: Pick<ModeSheet, 'looks'>,
	payloadId: string,
	axis: TurningAxis,
	turning: Pick<Turning, 'residualNm'>
): number {
	const seen = sagSeen(sheet, payloadId, axis, turning);
	return seen === null ? turning.residualNm : seen.leanRad * seen.stiffnessNmPerRad;
}
