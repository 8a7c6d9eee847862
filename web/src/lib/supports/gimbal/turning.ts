import { motorDemand, mountPayload } from '@poise/core';
import type { MountedBody } from '$lib/model/payload';
import { type TurningAxis, turningAxes, type Turnings } from '$lib/model/turning';
import type { BenchFigures } from './figures';
import type { Gimbal, Positions } from './model';

const isTurning = (id: string): id is TurningAxis => (turningAxes as readonly string[]).includes(id);

/** What each motor of a gimbal turns, and what the balance as it stands leaves it to hold. An axis that carries nothing is left out. */
export function turningOf(
	rig: Gimbal,
	bodies: readonly MountedBody[],
	positionsM: Positions,
	{ axes }: Pick<BenchFigures, 'axes'>
): Turnings {
	const chain = mountPayload({ rig: rig.geometry, payload: bodies });
	const demands = motorDemand({ chain, positionsM, rateRadPerS: 0, accelRadPerS2: 0 });
	return Object.fromEntries(
		demands.flatMap(({ id, inertiaKgM2 }, index) => {
			const axis = rig.geometry.axes.find((each) => each.id === id);
			const state = axes[index];
			if (axis === undefined || state === undefined || !isTurning(id) || !(inertiaKgM2 > 0)) return [];
			return [
				[
					id,
					{
						inertiaKgM2,
						residualNm: state.residualTorqueNm,
						frictionNm: axis.frictionNm ?? 0,
						motorNm: axis.motorTorqueNm ?? null,
						carriedKg: state.carriedKg
					}
				]
			];
		})
	);
}
