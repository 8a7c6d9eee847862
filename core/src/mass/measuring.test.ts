import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { PhysicsInputError } from '../errors';
import { normal, seededRandom } from '../numeric/random';
import type { Vec3 } from './body';
import { cgFromHang } from './cgFromHang';
import { assumedMiddleSigma, cgUncertainty } from './cgUncertainty';
import { combineBodies } from './combineBodies';
import { combineMeasurements } from './combineMeasurements';
import { radiiOfGyration } from './gyration';
import { periodFromTaps } from './periodFromTaps';
import { spreadOf } from './spread';
import { boxInertia } from './standardInertias';
import { turnBody, turnOf } from './turnBody';

const metres = fc.double({ min: -0.3, max: 0.3, noNaN: true });

describe('repeated readings', () => {
	it('have the textbook mean and spread when nothing is a slip', () => {
		const { mean, spread, standardError, dropped } = spreadOf({ values: [2, 4, 4, 4, 5, 5, 7, 9], slipLimit: 100 });
		expect(mean).toBe(5);
		expect(spread).toBeCloseTo(Math.sqrt(32 / 7), 12);
		expect(standardError).toBeCloseTo(Math.sqrt(32 / 7 / 8), 12);
		expect(dropped).toEqual([]);
	});
	it('lose one wild reading wherever it stands', () => {
		for (let place = 0; place < 5; place += 1) {
			const values = [1.01, 0.99, 1.02, 0.98];
			values.splice(place, 0, 3);
			expect(spreadOf({ values })).toMatchObject({ dropped: [place] });
			expect(spreadOf({ values }).mean).toBeCloseTo(1, 12);
		}
	});
	it('keep neighbours one step of the instrument apart', () =>
		expect(spreadOf({ values: [5, 5, 5, 6], resolution: 1 }).dropped).toEqual([]));
	it('say nothing of spread for one reading, and refuse none', () => {
		expect(spreadOf({ values: [3] })).toMatchObject({ mean: 3, spread: null, standardError: null });
		expect(() => spreadOf({ values: [] })).toThrow(PhysicsInputError);
		expect(() => spreadOf({ values: [1, NaN] })).toThrow('values[1]');
	});
});

describe('taps in time with a swing', () => {
	it('give the period whatever the first moment is', () =>
		expect(periodFromTaps({ tapsS: [10, 11.3, 12.6, 13.9] }).periodS).toBeCloseTo(1.3, 12));
	it('survive a tap that was missed', () => {
		const { periodS, dropped, missed, swings } = periodFromTaps({ tapsS: [0, 1.3, 2.6, 5.2, 6.5, 7.8] });
		expect(periodS).toBeCloseTo(1.3, 12);
		expect(dropped).toEqual([]);
		expect([missed, swings]).toEqual([1, 6]);
		// Of three taps too, where one interval is twice the other.
		expect(periodFromTaps({ tapsS: [0, 1.3, 3.9] })).toMatchObject({ periodS: expect.closeTo(1.3, 9), missed: 1 });
	});
	it('survive one that was doubled, and one that came far too late', () => {
		const doubled = periodFromTaps({ tapsS: [0, 1.3, 1.42, 2.6, 3.9, 5.2] });
		expect(doubled).toMatchObject({ periodS: expect.closeTo(1.3, 9), dropped: [2], missed: 0, swings: 4 });
		const late = periodFromTaps({ tapsS: [0, 1.3, 2.6, 4.3, 5.2, 6.5, 7.8] });
		expect(late).toMatchObject({ periodS: expect.closeTo(1.3, 9), dropped: [3], swings: 6 });
	});
	it.each([
		['all of them', null],
		['one missed among them', 'missed'],
		['one doubled among them', 'doubled']
	] as const)('have a standard error that is true to a tenth, with %s', (_what, fault) => {
		const random = seededRandom(77);
		const [errors, said]: [number[], number[]] = [[], []];
		let found = 0;
		for (let round = 0; round < 1500; round += 1) {
			const periodS = 0.8 + 1.2 * random();
			const taps = Array.from({ length: 9 }, (_, k) => k * periodS + normal(random) * 0.03);
			const at = 2 + Math.floor(random() * 5);
			if (fault === 'missed') taps.splice(at, 1);
			if (fault === 'doubled') taps.splice(at + 1, 0, taps[at]! + 0.15 + 0.05 * random());
			const timed = periodFromTaps({ tapsS: taps });
			errors.push((timed.periodS - periodS) ** 2);
			said.push(timed.standardError! ** 2);
			if (fault === 'missed' && timed.missed === 1) found += 1;
			if (fault === 'doubled' && timed.dropped.length === 1) found += 1;
		}
		const root = (squares: number[]) => Math.sqrt(squares.reduce((sum, each) => sum + each, 0) / squares.length);
		expect(root(said) / root(errors)).toBeGreaterThan(0.9);
		expect(root(said) / root(errors)).toBeLessThan(1.1);
		if (fault !== null) expect(found / 1500).toBeGreaterThan(0.97);
	});
	it('count several swings between taps', () =>
		expect(periodFromTaps({ tapsS: [0, 5, 10], swingsPerTap: 5 }).periodS).toBeCloseTo(1, 12));
	it('refuse two taps, and taps out of order', () => {
		expect(() => periodFromTaps({ tapsS: [0, 1] })).toThrow('three taps');
		expect(() => periodFromTaps({ tapsS: [0, 2, 1] })).toThrow('tapsS[2]');
	});
});

describe('measurements together', () => {
	it('weigh by what each is worth and never come out less sure than the best', () => {
		fc.assert(
			fc.property(
				fc.array(fc.record({ value: metres, sigma: fc.double({ min: 1e-4, max: 0.02, noNaN: true }) }), {
					minLength: 1,
					maxLength: 6
				}),
				(measurements) => {
					const told = combineMeasurements({ measurements });
					expect(told.sigma).toBeLessThanOrEqual(Math.min(...measurements.map(({ sigma }) => sigma)) * (1 + 1e-12));
					expect(told.weights.reduce((sum, weight) => sum + weight, 0)).toBeCloseTo(1, 12);
					expect(told.value).toBeLessThanOrEqual(Math.max(...measurements.map(({ value }) => value)) + 1e-12);
					expect(told.value).toBeGreaterThanOrEqual(Math.min(...measurements.map(({ value }) => value)) - 1e-12);
				}
			)
		);
	});
	it('name a conflict only where chance does not explain it', () => {
		const pair = (apart: number) =>
			combineMeasurements({
				measurements: [
					{ value: 0, sigma: 0.003 },
					{ value: apart, sigma: 0.004 }
				]
			});
		// The difference has a standard deviation of 5 mm.
		expect(pair(0.012).worstDisagreement).toBeCloseTo(2.4, 12);
		expect(pair(0.012).conflict).toBe(false);
		expect(pair(0.013).conflict).toBe(true);
	});
	it('refuse a certainty', () =>
		expect(() => combineMeasurements({ measurements: [{ value: 0, sigma: 0 }] })).toThrow('measurements[0].sigma'));
});

describe('hanging from two points', () => {
	it('finds any centre from the turns that centre would make', () => {
		fc.assert(
			fc.property(metres, metres, metres, metres, metres, metres, (cx, cy, ax, ay, bx, by) => {
				const [r1, r2] = [Math.hypot(cx - ax, cy - ay), Math.hypot(cx - bx, cy - by)];
				const crossing = Math.abs((cx - ax) * (cy - by) - (cy - ay) * (cx - bx)) / (r1 * r2);
				fc.pre(r1 > 0.01 && r2 > 0.01 && crossing > 0.25);
				// It turns until the centre hangs below the point: down is (−sin t, −cos t) in the body.
				const turn = (px: number, py: number) => Math.atan2(-(cx - px), -(cy - py));
				const told = cgFromHang({
					first: { atM: [ax, ay], turnRad: turn(ax, ay) },
					second: { atM: [bx, by], turnRad: turn(bx, by) }
				});
				expect(told.feasible).toBe(true);
				if (!told.feasible) return;
				expect(told.cgM[0]).toBeCloseTo(cx, 9);
				expect(told.cgM[1]).toBeCloseTo(cy, 9);
				const off = cgFromHang({
					first: { atM: [ax, ay], turnRad: turn(ax, ay) + 1e-5 },
					second: { atM: [bx, by], turnRad: turn(bx, by) }
				});
				if (off.feasible)
					expect(Math.hypot(off.cgM[0] - cx, off.cgM[1] - cy)).toBeLessThanOrEqual(told.metresPerRad * 1.01e-5);
			})
		);
	});
	it('says so when both plumb lines run alike', () =>
		expect(cgFromHang({ first: { atM: [0, 0.1], turnRad: 0 }, second: { atM: [0, 0.2], turnRad: 0.05 } })).toEqual({
			feasible: false,
			crossingRad: expect.closeTo(0.05, 12)
		}));
});

describe('uncertainty of the whole', () => {
	it('is what a thousand random builds scatter by', () => {
		const random = seededRandom(11);
		const uniform = (half: number) => half * (2 * random() - 1);
		const sizeM: Vec3 = [0.2, 0.1, 0.08];
		const [kgA, kgB] = [0.7, 0.4];
		const sigma = cgUncertainty({
			parts: [kgA, kgB].map((massKg) => ({ massKg, sigmaM: assumedMiddleSigma({ sizeM }) }))
		});
		const seen = Array.from({ length: 4000 }, () => {
			const at = () => [uniform(0.05), uniform(0.025), uniform(0.02)] as const;
			return combineBodies({
				bodies: [
					{ massKg: kgA, cgM: at() },
					{ massKg: kgB, cgM: at() }
				]
			}).cgM;
		});
		for (const axis of [0, 1, 2] as const) {
			const { spread } = spreadOf({ values: seen.map((cgM) => cgM[axis]), slipLimit: 100 });
			// A spread of 4000 draws is good to about one part in ninety; four times that.
			expect(Math.abs(spread! / sigma[axis] - 1)).toBeLessThan(0.045);
		}
	});
});

describe('a turned body', () => {
	const body = {
		massKg: 2,
		cgM: [0.1, 0.02, -0.03] as const,
		inertiaKgM2: boxInertia({ massKg: 2, sizeM: [0.3, 0.2, 0.1] })
	};
	it('comes back after four quarters about any axis, exactly', () => {
		for (const quarters of [
			[1, 0, 0],
			[0, 1, 0],
			[0, 0, 1]
		] as const) {
			const turn = turnOf({ quarters, aboutUpRad: 0 });
			let turned: ReturnType<typeof turnBody> = body;
			for (let count = 0; count < 4; count += 1) turned = turnBody({ body: turned, turn });
			expect(turned.cgM.map((value, k) => value - body.cgM[k]!)).toEqual([0, 0, 0]);
			expect(turned.inertiaKgM2).toMatchObject({
				xx: body.inertiaKgM2.xx,
				yy: body.inertiaKgM2.yy,
				zz: body.inertiaKgM2.zz
			});
		}
	});
	it('swaps its moments on a quarter about up', () => {
		const { inertiaKgM2 } = turnBody({ body, turn: turnOf({ quarters: [0, 0, 1], aboutUpRad: 0 }) });
		expect(inertiaKgM2!.xx).toBeCloseTo(body.inertiaKgM2.yy, 15);
		expect(inertiaKgM2!.yy).toBeCloseTo(body.inertiaKgM2.xx, 15);
	});
	it('keeps its trace and its distance at any angle, and agrees with points turned one by one', () => {
		const points = [
			[0.1, 0, 0.02],
			[-0.05, 0.08, 0],
			[0, -0.03, 0.06]
		] as const;
		const whole = combineBodies({ bodies: points.map((cgM) => ({ massKg: 0.5, cgM })) });
		fc.assert(
			fc.property(
				fc.integer({ min: -4, max: 4 }),
				fc.integer({ min: -4, max: 4 }),
				fc.double({ min: -7, max: 7, noNaN: true }),
				(qx, qy, aboutUpRad) => {
					const turn = turnOf({ quarters: [qx, qy, 1], aboutUpRad });
					const turned = turnBody({ body: whole, turn });
					const each = combineBodies({ bodies: points.map((cgM) => turnBody({ body: { massKg: 0.5, cgM }, turn })) });
					for (const k of [0, 1, 2] as const) expect(turned.cgM[k]).toBeCloseTo(each.cgM[k], 12);
					for (const field of ['xx', 'yy', 'zz', 'xy', 'xz', 'yz'] as const)
						expect(turned.inertiaKgM2![field]).toBeCloseTo(each.inertiaKgM2[field], 12);
				}
			)
		);
	});
	it('refuses half a quarter and a mirror', () => {
		expect(() => turnOf({ quarters: [0.5, 0, 0], aboutUpRad: 0 })).toThrow('quarters[0]');
		expect(() =>
			turnBody({
				body,
				turn: [
					[1, 0, 0],
					[0, -1, 0],
					[0, 0, 1]
				]
			})
		).toThrow('rotation');
	});
});

describe('radius of gyration', () => {
	it('of a thin rod is its length over the root of twelve', () => {
		const inertiaKgM2 = boxInertia({ massKg: 3, sizeM: [0.6, 0, 0] });
		const [x, y] = radiiOfGyration({ massKg: 3, inertiaKgM2 });
		expect(x).toBe(0);
		expect(y).toBeCloseTo(0.6 / Math.sqrt(12), 15);
	});
});
