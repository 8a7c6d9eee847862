import { type AxisDemand, type GimbalChain, motorDemand, type Vec3 } from '@poise/core';
import { cornersM, type StandingPart } from '$lib/model/payload';
import type { Positions, Gimbal } from './model';
import { payloadOriginM } from './gimbalShapes';

export interface OpeningCheck {
	readonly axis: 0 | 1 | 2;
	readonly label: 'width' | 'height' | 'depth';
	/** How far the payload reaches on the worse side of the tilt axis, and how far it may. */
	readonly reachM: number;
	readonly mayM: number;
	readonly ok: boolean;
}

/**
 * The payload's outside against the clear opening of the cradle, about the tilt axis, with the slides where they belong.
 * Height and depth are the radii that the payload sweeps as it tilts.
 */
export function openingChecks(rig: Gimbal, parts: readonly StandingPart[], positionsM: Positions): OpeningCheck[] {
	const { openingM } = rig.geometry;
	if (!openingM) return [];
	const tilt = rig.geometry.axes.find(({ id }) => id === 'tilt');
	const plateM = parts.find(({ id }) => id === 'plate')?.part.shape.sizeM[2] ?? 0;
	const originM = payloadOriginM(rig, positionsM, plateM);
	const carried = rig.geometry.slides.reduce<Vec3>(
		(sum, slide) =>
			slide.moves.includes('tilt')
				? (sum.map((value, k) => value + (slide.direction[k] ?? 0) * (positionsM[slide.id] ?? 0)) as unknown as Vec3)
				: sum,
		tilt?.pivotM ?? [0, 0, 0]
	);
	const reach = (axis: 0 | 1 | 2) =>
		Math.max(
			...parts.flatMap((part) =>
				cornersM(part).map((corner) => {
					const at = corner[axis] + originM[axis];
					// The opening is centred on the gimbal's middle line sideways, on the tilt axis otherwise.
					return Math.abs(at - (axis === 1 ? carried[1] - (tilt?.pivotM[1] ?? 0) : carried[axis]));
				})
			)
		);
	const [widthM, heightM, depthM] = openingM;
	const rows = [
		{ axis: 1 as const, label: 'width' as const, mayM: widthM / 2 },
		{ axis: 2 as const, label: 'height' as const, mayM: heightM / 2 },
		{ axis: 0 as const, label: 'depth' as const, mayM: depthM }
	];
	// Ahead of the gimbal nothing is in the way: depth counts backwards, towards the roll arm.
	const backM = Math.max(...parts.map((part) => carried[0] - (cornersM(part)[0][0] + originM[0])));
	return rows.map((row) => {
		const reachM = row.axis === 0 ? backM : reach(row.axis);
		return { ...row, reachM, ok: reachM <= row.mayM };
	});
}

/** How each slide's place in balance sits in its travel: what is left to the nearer end. */
export const travelLeft = (rig: Gimbal, targetsM: Positions) =>
	rig.geometry.slides.map((slide) => {
		const at = targetsM[slide.id] ?? 0;
		return { slide, leftM: Math.min(at - slide.rangeM[0], slide.rangeM[1] - at) };
	});

/** What the motors give for a turn at this rate, brought up in this time. */
export function demandFor(
	chain: GimbalChain,
	positionsM: Positions,
	rateRadPerS: number,
	rampS: number
): readonly AxisDemand[] {
	return motorDemand({ chain, positionsM, rateRadPerS, accelRadPerS2: rateRadPerS / rampS });
}
