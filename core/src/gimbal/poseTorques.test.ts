import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
	axisStates,
	balanceGimbal,
	disturbance,
	mountPayload,
	PhysicsInputError,
	poseTorques,
	type Vec3
} from '../index';
import { samplePayload, sampleRig } from '../testing/sampleRig';

const chain = mountPayload({ rig: sampleRig, payload: samplePayload });
const angle = fc.double({ min: -Math.PI, max: Math.PI, noNaN: true });
/** A direction of gravity from two angles, anywhere on the sphere. */
const direction = (heading: number, tilt: number): Vec3 => [
	Math.cos(tilt) * Math.cos(heading),
	Math.cos(tilt) * Math.sin(heading),
	Math.sin(tilt)
];
const travel = fc.record({
	plate: fc.double({ min: -0.06, max: 0.06, noNaN: true }),
	cradleHeight: fc.double({ min: -0.05, max: 0.05, noNaN: true }),
	crossbar: fc.double({ min: -0.06, max: 0.06, noNaN: true }),
	panArm: fc.double({ min: -0.09, max: 0.09, noNaN: true })
});
const torquesIn = (positionsM: Record<string, number>, gravity: Vec3) =>
	poseTorques({ chain, positionsM, gravityDirections: [gravity] }).poses[0]!.axes;

describe('poseTorques', () => {
	it('turn round when the gimbal is turned upside down', () => {
		fc.assert(
			fc.property(travel, angle, angle, (positionsM, heading, tilt) => {
				const upright = torquesIn(positionsM, direction(heading, tilt));
				const inverted = torquesIn(positionsM, direction(heading + Math.PI, -tilt));
				upright.forEach(({ torqueNm }, k) => expect(inverted[k]!.torqueNm).toBeCloseTo(-torqueNm, 9));
			})
		);
	});

	it('never exceed the residual of the axis, and reach it in some pose', () => {
		fc.assert(
			fc.property(travel, angle, angle, (positionsM, heading, tilt) => {
				const states = axisStates({ chain, positionsM });
				torquesIn(positionsM, direction(heading, tilt)).forEach(({ torqueNm }, k) =>
					expect(Math.abs(torqueNm)).toBeLessThanOrEqual(states[k]!.residualTorqueNm + 1e-12)
				);
			})
		);
		const states = axisStates({ chain, positionsM: {} });
		sampleRig.axes.forEach((axis, k) => {
			const { offsetM, residualTorqueNm } = states[k]!;
			const size = Math.hypot(...offsetM);
			if (size === 0) return;
			// Gravity square to the axis and to the offset: axis × offset.
			const [a, o] = [axis.direction, offsetM.map((value) => value / size) as unknown as Vec3];
			const worst: Vec3 = [a[1] * o[2] - a[2] * o[1], a[2] * o[0] - a[0] * o[2], a[0] * o[1] - a[1] * o[0]];
			expect(Math.abs(torquesIn({}, worst)[k]!.torqueNm)).toBeCloseTo(residualTorqueNm, 12);
		});
	});

	it('leave an axis alone that gravity runs along', () => {
		expect(torquesIn({}, [0, 0, -1])[0]!.torqueNm).toBeCloseTo(0, 15);
		expect(torquesIn({}, [1, 0, 0])[1]!.torqueNm).toBeCloseTo(0, 15);
		expect(torquesIn({}, [0, -1, 0])[2]!.torqueNm).toBeCloseTo(0, 15);
	});

	it('push the nose down when the lens is heavy, by the right-hand rule about the camera’s left', () => {
		const heavy = mountPayload({
			rig: sampleRig,
			payload: [{ id: 'lens', body: { massKg: 1, cgM: [0.1, 0, 0.05] } }]
		});
		const tilt = poseTorques({ chain: heavy, positionsM: {}, gravityDirections: [[0, 0, -1]] }).poses[0]!.axes[2]!;
		// 1 kg at 0.1 m; the cradle hangs on the axis's own plane. Nose down is a positive turn about +y.
		expect(tilt.torqueNm).toBeCloseTo(9.80665 * 0.1, 12);
	});

	it.each([
		['no poses', { gravityDirections: [] }, 'gravityDirections'],
		['gravity of the wrong length', { gravityDirections: [[0, 0, -9.8]] }, 'gravityDirections[0]'],
		['an unknown slide', { positionsM: { ghost: 0 } }, 'positionsM.ghost'],
		['a slide that is not a number away', { positionsM: { plate: Number.NaN } }, 'positionsM.plate'],
		['no positions', { positionsM: null }, 'positionsM']
	])('refuse %s', (_what, change, path) => {
		const attempt = () =>
			poseTorques({ chain, positionsM: {}, gravityDirections: [[0, 0, -1]], ...change } as unknown as Parameters<
				typeof poseTorques
			>[0]);
		expect(attempt).toThrow(PhysicsInputError);
		expect(attempt).toThrow(path);
	});
});

describe('disturbance', () => {
	it('is what axisStates finds when the slide is moved, for any slide and any start', () => {
		fc.assert(
			fc.property(travel, fc.constantFrom(...chain.slides.map(({ id }) => id)), (positionsM, slideId) => {
				const before = axisStates({ chain, positionsM });
				const after = axisStates({
					chain,
					positionsM: { ...positionsM, [slideId]: positionsM[slideId as keyof typeof positionsM] + 0.001 }
				});
				disturbance({ chain, slideId }).axes.forEach(({ offsetM }, k) =>
					offsetM.forEach((value, component) =>
						expect(after[k]!.offsetM[component]! - before[k]!.offsetM[component]!).toBeCloseTo(value, 12)
					)
				);
			})
		);
	});

	it('of the inner slides leaves the axes already set alone: the reason for the usual order', () => {
		const touched = (slideId: string) =>
			disturbance({ chain, slideId })
				.axes.filter(({ offsetM }) => Math.hypot(...offsetM) > 1e-9)
				.map(({ id }) => id);
		expect(touched('panArm')).toEqual(['pan']);
		expect(touched('crossbar')).toEqual(['pan', 'roll']);
		expect(touched('cradleHeight')).toEqual(['roll', 'tilt']);
	});

	it('refuses a slide that is not there', () => {
		expect(() => disturbance({ chain, slideId: 'ghost' })).toThrow('slideId');
	});
});

describe('a solved rig', () => {
	it('holds within its friction in every pose', () => {
		const solved = balanceGimbal({ chain });
		expect(solved.balanced).toBe(true);
		const positionsM = Object.fromEntries(solved.slides.map(({ id, positionM }) => [id, positionM]));
		for (let heading = 0; heading < 6; heading += 0.5)
			for (let tilt = -1.5; tilt <= 1.5; tilt += 0.5)
				torquesIn(positionsM, direction(heading, tilt)).forEach(({ torqueNm }, k) =>
					expect(Math.abs(torqueNm)).toBeLessThanOrEqual(sampleRig.axes[k]!.frictionNm!)
				);
	});
});
