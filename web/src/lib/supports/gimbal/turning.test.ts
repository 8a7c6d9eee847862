import { describe, expect, it } from 'vitest';
import { bodies, payload, rig, targetsOf } from '$lib/testing/scenario';
import { benchFigures, completePositions } from './figures';
import { turningOf } from './turning';

const large = rig('Large');
const cine = payload('25–120');
const at = (positionsM = completePositions(large, {})) =>
	turningOf(large, bodies(cine), positionsM, benchFigures(large, bodies(cine), positionsM));

describe('what the motors of a gimbal turn', () => {
	it('is everything an axis carries: the outermost the most', () => {
		const { pan, tilt, roll } = at();
		expect(pan!.carriedKg).toBeGreaterThan(roll!.carriedKg);
		expect(roll!.carriedKg).toBeGreaterThan(tilt!.carriedKg);
		// A cine build is long: it is harder to pan and tilt than to roll.
		expect(pan!.inertiaKgM2).toBeGreaterThan(roll!.inertiaKgM2);
		expect(tilt!.inertiaKgM2).toBeGreaterThan(roll!.inertiaKgM2);
		for (const { inertiaKgM2 } of [pan!, tilt!, roll!]) expect(inertiaKgM2).toBeGreaterThan(0);
	});
	it('leaves next to nothing to hold once it is balanced, and much where a slide is far off', () => {
		const balanced = at(targetsOf(large, cine));
		const off = at({ ...targetsOf(large, cine), plate: targetsOf(large, cine).plate! + 0.02 });
		for (const axis of ['pan', 'tilt', 'roll'] as const)
			expect(balanced[axis]!.residualNm).toBeLessThanOrEqual(balanced[axis]!.frictionNm + 1e-9);
		expect(off.tilt!.residualNm).toBeGreaterThan(10 * balanced.tilt!.residualNm + 0.1);
	});
	it('leaves out an axis the gimbal has no motor for, and says where nobody knows the motor', () => {
		const { pan: _, ...rest } = at();
		const bare = {
			...large,
			geometry: {
				...large.geometry,
				axes: large.geometry.axes.map(({ motorTorqueNm: __, ...axis }) => axis)
			}
		};
		const positionsM = completePositions(bare, {});
		const unknown = turningOf(bare, bodies(cine), positionsM, benchFigures(bare, bodies(cine), positionsM));
		expect(unknown.tilt!.motorNm).toBeNull();
		expect(rest.tilt!.motorNm).toBeGreaterThan(0);
	});
});
