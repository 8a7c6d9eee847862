import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { samplePayload, sampleRig } from '../testing/sampleRig';
import { axisStates } from './axisState';
import { balanceGimbal } from './balanceGimbal';
import { correctChain } from './correctChain';
import { moveForOffset } from './moveForOffset';
import { motorDemand } from './motorDemand';
import { poseReport, rigPoses } from './poses';
import { mountPayload } from './rig';
import { withAlternative } from './remedies';
import { horizonTrend } from './horizonTrend';
import type { Vec3 } from '../mass/body';

const chain = mountPayload({ rig: sampleRig, payload: samplePayload });
const off = fc.double({ min: -0.02, max: 0.02, noNaN: true });

describe('one look, one nudge', () => {
	it('the move for a seen offset leaves none of it', () => {
		fc.assert(
			fc.property(off, off, (plate, cradleHeight) => {
				const positionsM = { plate, cradleHeight };
				const seen = axisStates({ chain, positionsM }).find(({ id }) => id === 'tilt')!;
				const moves = moveForOffset({
					chain,
					axisId: 'tilt',
					offsetM: seen.offsetM,
					slideIds: ['plate', 'cradleHeight']
				});
				const after = axisStates({
					chain,
					positionsM: { plate: plate + moves.plate!, cradleHeight: cradleHeight + moves.cradleHeight! }
				}).find(({ id }) => id === 'tilt')!;
				expect(Math.hypot(...after.offsetM)).toBeLessThan(1e-12);
			})
		);
	});
	it('a slide that does not touch the axis is left alone', () =>
		expect(moveForOffset({ chain, axisId: 'tilt', offsetM: [0.01, 0, 0], slideIds: ['panArm'] })).toEqual({
			panArm: 0
		}));
	it('unknown ids are named', () => {
		expect(() => moveForOffset({ chain, axisId: 'yaw', offsetM: [0, 0, 0], slideIds: [] })).toThrow('axisId');
		expect(() => moveForOffset({ chain, axisId: 'tilt', offsetM: [0, 0, 0], slideIds: ['x'] })).toThrow('slideIds[0]');
	});
});

describe('a chain corrected by what was seen', () => {
	it('is the true chain, as far as looks can tell, when parts sit elsewhere than believed', () => {
		fc.assert(
			fc.property(off, off, off, (dx, dy, dz) => {
				const truly = samplePayload.map(({ id, body }) =>
					id === 'lens'
						? { id, body: { ...body, cgM: [body.cgM[0] + dx, body.cgM[1] + dy, body.cgM[2] + dz] as Vec3 } }
						: { id, body }
				);
				const real = mountPayload({ rig: sampleRig, payload: truly });
				const positionsM = { plate: 0.01, crossbar: -0.004 };
				const stands = axisStates({ chain: real, positionsM });
				const seen = sampleRig.slides.map((slide) => ({
					axisId: slide.balances,
					direction: slide.direction,
					positionsM,
					offsetM: stands
						.find(({ id }) => id === slide.balances)!
						.offsetM.reduce((sum, part, k) => sum + part * slide.direction[k]!, 0)
				}));
				const told = balanceGimbal({ chain: correctChain({ chain, seen }) });
				const wanted = balanceGimbal({ chain: real });
				told.slides.forEach(({ positionM }, s) => expect(positionM).toBeCloseTo(wanted.slides[s]!.positionM, 9));
			}),
			{ numRuns: 40 }
		);
	});
	it('takes the last of several looks along one direction', () => {
		const look = (offsetM: number) => ({ axisId: 'tilt', direction: [1, 0, 0] as Vec3, offsetM, positionsM: {} });
		const told = correctChain({ chain, seen: [look(0.03), look(-0.002)] });
		expect(axisStates({ chain: told, positionsM: {} })[2]!.offsetM[0]).toBeCloseTo(-0.002, 12);
	});
	it('leaves the axes inside the looked-at one as they were', () => {
		const told = correctChain({
			chain,
			seen: [{ axisId: 'pan', direction: [1, 0, 0], offsetM: 0.01, positionsM: {} }]
		});
		const [before, after] = [chain, told].map((each) => axisStates({ chain: each, positionsM: {} }));
		expect(after!.slice(1)).toEqual(before!.slice(1));
		expect(after![0]!.offsetM[0]).toBeCloseTo(0.01, 12);
	});
});

describe('what the motors must give', () => {
	const still = { chain, positionsM: {}, rateRadPerS: 0, accelRadPerS2: 0 };
	it('at rest is the residual of the worst pose and the friction', () => {
		const states = axisStates({ chain, positionsM: {} });
		motorDemand(still).forEach((demand, index) => {
			expect(demand.holdingNm).toBeCloseTo(states[index]!.residualTorqueNm, 12);
			expect(demand.totalNm).toBeCloseTo(demand.holdingNm + sampleRig.axes[index]!.frictionNm!, 12);
		});
	});
	it('for a dumb-bell across the pan axis is textbook', () => {
		const bar = {
			axes: [
				{ id: 'pan', direction: [0, 0, 1] as Vec3, pivotM: [0, 0, 0] as Vec3 },
				{ id: 'tilt', direction: [0, 1, 0] as Vec3, pivotM: [0, 0, 0] as Vec3 }
			],
			parts: [
				{ id: 'a', body: { massKg: 1, cgM: [0.1, 0, 0.1] as Vec3 }, hangsOn: 'tilt' },
				{ id: 'b', body: { massKg: 1, cgM: [-0.1, 0, -0.1] as Vec3 }, hangsOn: 'tilt' }
			],
			slides: []
		};
		const [pan, tilt] = motorDemand({ chain: bar, positionsM: {}, rateRadPerS: 3, accelRadPerS2: 2 });
		expect(pan!.acceleratingNm).toBeCloseTo(2 * 0.01 * 2, 12);
		expect(pan!.swingingNm).toBeCloseTo(0, 12);
		// Leaning at 45°, each ball is flung out: 2 · m · 0.1 · 0.1 · ω² about the tilt axis.
		expect(tilt!.swingingNm).toBeCloseTo(2 * 0.01 * 9, 12);
		expect(tilt!.acceleratingNm).toBeCloseTo(2 * 0.02 * 2, 12);
	});
	it('of a solid box equals that of the same box cut in small blocks', () => {
		const sizeM = [0.2, 0.06, 0.1] as const;
		const blocks = [];
		const cut = 6;
		for (let i = 0; i < cut; i += 1)
			for (let k = 0; k < cut; k += 1)
				blocks.push({
					massKg: 1 / cut / cut,
					cgM: [((i + 0.5) / cut - 0.5) * sizeM[0] + 0.03, 0, ((k + 0.5) / cut - 0.5) * sizeM[2] + 0.02] as Vec3
				});
		const solid = {
			massKg: 1,
			cgM: [0.03, 0, 0.02] as Vec3,
			inertiaKgM2: {
				// Second moments of the same blocks, so that the comparison is exact.
				xx: blocks.reduce((sum, { massKg, cgM }) => sum + massKg * (cgM[2] - 0.02) ** 2, 0),
				yy: blocks.reduce((sum, { massKg, cgM }) => sum + massKg * ((cgM[2] - 0.02) ** 2 + (cgM[0] - 0.03) ** 2), 0),
				zz: blocks.reduce((sum, { massKg, cgM }) => sum + massKg * (cgM[0] - 0.03) ** 2, 0),
				xy: 0,
				xz: 0,
				yz: 0
			}
		};
		const axes = [
			{ id: 'pan', direction: [0, 0, 1] as Vec3, pivotM: [-0.01, 0, 0] as Vec3 },
			{ id: 'tilt', direction: [0, 1, 0] as Vec3, pivotM: [0.004, 0, 0.01] as Vec3 }
		];
		const demand = (bodies: readonly { massKg: number; cgM: Vec3 }[]) =>
			motorDemand({
				chain: { axes, parts: bodies.map((body, k) => ({ id: `p${k}`, body, hangsOn: 'tilt' })), slides: [] },
				positionsM: {},
				rateRadPerS: 4,
				accelRadPerS2: 7
			});
		demand(blocks).forEach((each, index) => {
			const whole = demand([solid])[index]!;
			for (const field of ['inertiaKgM2', 'holdingNm', 'acceleratingNm', 'swingingNm'] as const)
				expect(whole[field]).toBeCloseTo(each[field], 12);
		});
	});
	it('refuses a rate that is not a number', () =>
		expect(() => motorDemand({ ...still, rateRadPerS: NaN })).toThrow('rateRadPerS'));
});

describe('the poses of a gimbal', () => {
	const balances = Object.fromEntries(sampleRig.slides.map(({ id, balances: axis }) => [id, axis]));
	const solved = Object.fromEntries(balanceGimbal({ chain }).slides.map(({ id, positionM }) => [id, positionM]));
	it('have gravity of length one, each another', () => {
		for (const { gravity } of rigPoses) expect(Math.hypot(...gravity)).toBeCloseTo(1, 12);
		expect(new Set(rigPoses.map(({ gravity }) => gravity.join())).size).toBe(rigPoses.length);
	});
	it('touch nothing while every axis holds', () => {
		const rig = { ...chain, axes: chain.axes.map((axis) => ({ ...axis, frictionNm: 1 })) };
		for (const { touch } of poseReport({ chain: rig, positionsM: solved, balances })) expect(touch).toBeNull();
	});
	it('name a slide whose move brings that torque to nothing', () => {
		const positionsM = { ...solved, plate: solved.plate! + 0.006 };
		const report = poseReport({ chain, positionsM, balances });
		const upright = report.find(({ id }) => id === 'upright')!;
		expect(upright.touch).toMatchObject({ axisId: 'tilt', slideId: 'plate' });
		expect(upright.touch!.moveM).toBeCloseTo(-0.006, 9);
	});
	it('bite upside down as they do upright, the other way about', () => {
		const report = poseReport({ chain, positionsM: { plate: 0.02, crossbar: 0.01 }, balances });
		const [up, down] = ['upright', 'upsideDown'].map((id) => report.find((each) => each.id === id)!);
		up!.axes.forEach(({ torqueNm }, index) => expect(down!.axes[index]!.torqueNm).toBeCloseTo(-torqueNm, 12));
	});
});

describe('other ways to put it together', () => {
	const short = {
		...chain,
		slides: chain.slides.map((slide) => (slide.id === 'plate' ? { ...slide, rangeM: [0.02, 0.03] as const } : slide))
	};
	/** As far as the payload has to come for the short plate to stand in its middle. */
	const backM = balanceGimbal({ chain }).slides[0]!.positionM - 0.025;
	const payloadIds = ['payload:camera', 'payload:lens'];
	const hole = { id: 'rear', kind: 'useHole' as const, shiftM: [backM, 0, 0] as Vec3, moves: payloadIds };
	const plate = {
		id: 'thick',
		kind: 'swapPlate' as const,
		shiftM: [backM, 0, 0.002] as Vec3,
		moves: payloadIds,
		adds: [
			{
				id: 'plate',
				body: { massKg: 0.2, cgM: [0, 0, -0.05] as Vec3 },
				hangsOn: 'tilt',
				movesWith: ['plate', 'cradleHeight', 'crossbar', 'panArm']
			}
		]
	};
	it('are listed after reaching further and before adding weight, and each balances', () => {
		const place = { ...sampleRig.counterweightPlaces[0]!, atM: [-0.2, 0, 0] as Vec3, greatestKg: 2 };
		const { remedies } = balanceGimbal({
			chain: short,
			options: { alternatives: [plate, hole], counterweightPlaces: [place] }
		});
		expect(remedies.map(({ kind }) => kind)).toEqual(['extendSlide', 'useHole', 'swapPlate', 'addMass']);
		for (const remedy of remedies) {
			if (remedy.kind !== 'useHole' && remedy.kind !== 'swapPlate') continue;
			const other = withAlternative(short, remedy.kind === 'useHole' ? hole : plate);
			const { positionsM } = remedy;
			axisStates({ chain: other, positionsM }).forEach(({ residualTorqueNm }, index) =>
				expect(residualTorqueNm).toBeLessThanOrEqual(other.axes[index]!.frictionNm! + 1e-9)
			);
		}
	});
	it('leave no trace of a part that came off', () => {
		const without = withAlternative(chain, {
			id: 'x',
			kind: 'swapPlate',
			shiftM: [0, 0, 0],
			moves: [],
			removes: ['payload:lens']
		});
		expect(without.parts.some(({ id }) => id === 'payload:lens')).toBe(false);
		expect(without.slides.some(({ moves }) => moves.includes('payload:lens'))).toBe(false);
		expect(() => balanceGimbal({ chain: without })).not.toThrow();
	});
});

describe('the horizon', () => {
	const limits = { limitRad: 0.0087, temperatureLimitC: 12, calibratedAtC: 20 };
	const at = (minutes: number, rollRad: number, temperatureC = 20) => ({ minutes, rollRad, temperatureC });
	it('drifts along the line through its readings and is due when that meets the limit', () => {
		const readings = [0, 5, 10, 15].map((minutes) => at(minutes, 0.0002 * minutes - 0.001));
		const trend = horizonTrend({ readings, ...limits });
		expect(trend.driftRadPerMinute).toBeCloseTo(0.0002, 12);
		expect(trend.nowRad).toBeCloseTo(0.002, 12);
		expect(trend.dueInMinutes).toBeCloseTo((0.0087 - 0.002) / 0.0002, 9);
		expect(trend.why).toBe('drifts');
	});
	it('drifts the other way just as soon', () => {
		const trend = horizonTrend({ readings: [at(0, 0), at(10, -0.003)], ...limits });
		expect(trend.dueInMinutes).toBeCloseTo(19, 9);
	});
	it('is steady when the readings only scatter', () =>
		expect(
			horizonTrend({ readings: [at(0, 0.001), at(5, -0.001), at(10, 0.0012), at(15, -0.0008)], ...limits })
		).toMatchObject({ why: 'steady', dueInMinutes: null }));
	it('is due at once when it leans, or when it has grown cold', () => {
		expect(horizonTrend({ readings: [at(3, 0.02)], ...limits })).toMatchObject({ due: true, why: 'leans' });
		expect(horizonTrend({ readings: [at(3, 0, 4)], ...limits })).toMatchObject({ due: true, why: 'temperature' });
		expect(horizonTrend({ readings: [at(3, 0, 4)], ...limits, calibratedAtC: null }).due).toBe(false);
	});
	it('says nothing of drift from one moment', () =>
		expect(horizonTrend({ readings: [at(3, 0.001), at(3, 0.002)], ...limits }).driftRadPerMinute).toBeNull());
	it('refuses readings before the power came on', () =>
		expect(() => horizonTrend({ readings: [at(-1, 0)], ...limits })).toThrow('readings[0].minutes'));
});
