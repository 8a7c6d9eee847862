import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { holdingBand, offsetFromRest, offsetFromScale, offsetFromSwing, PhysicsInputError } from '../index';
import { ellipticK } from '../numeric/ellipticK';

const g = 9.80665;

/** Period of the compound pendulum by stepping its equation of motion, independent of any integral: T = 4 · (θ₀ to 0). */
function steppedPeriod(massKg: number, inertiaCgKgM2: number, offsetM: number, amplitudeRad: number): number {
	const strength = (massKg * g * offsetM) / (inertiaCgKgM2 + massKg * offsetM * offsetM);
	const accel = (angle: number) => -strength * Math.sin(angle);
	const dt = 1 / Math.sqrt(strength) / 2000;
	let [angle, rate, time] = [amplitudeRad, 0, 0];
	for (;;) {
		const [a1, v1] = [accel(angle), rate];
		const [a2, v2] = [accel(angle + (v1 * dt) / 2), rate + (a1 * dt) / 2];
		const [a3, v3] = [accel(angle + (v2 * dt) / 2), rate + (a2 * dt) / 2];
		const [a4, v4] = [accel(angle + v3 * dt), rate + a3 * dt];
		const next = angle + (dt * (v1 + 2 * v2 + 2 * v3 + v4)) / 6;
		if (next <= 0) return 4 * (time + (dt * angle) / (angle - next));
		rate += (dt * (a1 + 2 * a2 + 2 * a3 + a4)) / 6;
		angle = next;
		time += dt;
	}
}

describe('offsetFromSwing', () => {
	it('finds the offset that a stepped pendulum was given', () => {
		for (const [massKg, inertia, offsetM, amplitude] of [
			[1.6, 0.004, 0.008, 0.1],
			[2.3, 0.01, 0.03, 1.2],
			[9, 0.12, 0.02, 2.4]
		] as const) {
			const periodS = steppedPeriod(massKg, inertia, offsetM, amplitude);
			const found = offsetFromSwing({ massKg, inertiaCgKgM2: inertia, periodS, amplitudeRad: amplitude });
			// The last step is cut straight: an error of the square of a two-thousandth.
			expect(found.feasible && found.offsetM / offsetM).toBeCloseTo(1, 5);
		}
	});

	it('gives two offsets whose product is the square of the radius of gyration, and both swing alike', () => {
		fc.assert(
			fc.property(
				fc.double({ min: 0.5, max: 12, noNaN: true }),
				fc.double({ min: 1e-4, max: 0.3, noNaN: true }),
				fc.double({ min: 1.0001, max: 20, noNaN: true }),
				fc.double({ min: 0.01, max: 3, noNaN: true }),
				(massKg, inertiaCgKgM2, times, amplitudeRad) => {
					const { shortestPeriodS } = offsetFromSwing({ massKg, inertiaCgKgM2, periodS: 1e3, amplitudeRad });
					const periodS = shortestPeriodS * times;
					const found = offsetFromSwing({ massKg, inertiaCgKgM2, periodS, amplitudeRad });
					if (!found.feasible || found.otherOffsetM === null) throw new Error('no offset');
					expect((found.offsetM * found.otherOffsetM * massKg) / inertiaCgKgM2).toBeCloseTo(1, 9);
					expect(found.offsetM).toBeLessThanOrEqual(found.otherOffsetM);
					const swings = (r: number) =>
						4 * ellipticK(Math.sin(amplitudeRad / 2)) * Math.sqrt((inertiaCgKgM2 + massKg * r * r) / (massKg * g * r));
					expect(swings(found.offsetM) / periodS).toBeCloseTo(1, 9);
				}
			)
		);
	});

	it('answers the shortest swing itself, and refuses a shorter one with numbers', () => {
		const input = { massKg: 2, inertiaCgKgM2: 0.008, amplitudeRad: 0.5 };
		const { shortestPeriodS } = offsetFromSwing({ ...input, periodS: 5 });
		const fastest = offsetFromSwing({ ...input, periodS: shortestPeriodS });
		// At a double root half the digits go: the square root of the rounding of the period.
		expect(fastest.feasible && fastest.offsetM).toBeCloseTo(Math.sqrt(0.004), 7);
		expect(offsetFromSwing({ ...input, periodS: shortestPeriodS * 0.99 })).toEqual({
			feasible: false,
			shortestPeriodS: expect.closeTo(shortestPeriodS, 12) as number,
			fastestOffsetM: Math.sqrt(0.004)
		});
	});

	it.each([
		['no mass', { massKg: 0 }],
		['a negative inertia', { inertiaCgKgM2: -1 }],
		['no time', { periodS: 0 }],
		['no amplitude', { amplitudeRad: 0 }],
		['over the top', { amplitudeRad: Math.PI }]
	])('throws for %s', (_what, change) => {
		const input = { massKg: 1, inertiaCgKgM2: 0.01, periodS: 2, amplitudeRad: 0.3, ...change };
		expect(() => offsetFromSwing(input)).toThrow(PhysicsInputError);
		expect(() => offsetFromSwing(input)).toThrow(Object.keys(change)[0]);
	});
});

describe('rest, scale and friction', () => {
	it('a rest angle and an offset give back the place they were made from', () => {
		fc.assert(
			fc.property(
				fc.double({ min: -0.05, max: 0.05, noNaN: true }),
				fc.double({ min: -0.05, max: 0.05, noNaN: true }),
				(forwardM, upM) => {
					const offsetM = Math.hypot(forwardM, upM);
					fc.pre(offsetM > 1e-6);
					const found = offsetFromRest({ offsetM, restAngleRad: Math.atan2(-forwardM, -upM) || 0 });
					expect(found.forwardM).toBeCloseTo(forwardM, 12);
					expect(found.slideUpM).toBeCloseTo(-upM, 12);
				}
			)
		);
	});

	it('a scale at twice the lever reads half', () => {
		const near = offsetFromScale({ readingKg: 0.08, leverM: 0.15, carriedKg: 1.6 });
		expect(offsetFromScale({ readingKg: 0.04, leverM: 0.3, carriedKg: 1.6 }).offsetM).toBeCloseTo(near.offsetM, 15);
		expect(near.offsetM).toBeCloseTo(0.0075, 15);
		expect(() => offsetFromScale({ readingKg: 0.1, leverM: 0, carriedKg: 1 })).toThrow('leverM');
	});

	it('the holding band is where gravity meets friction', () => {
		const { holdingBandM } = holdingBand({ massKg: 1.7, frictionNm: 0.012 });
		expect(1.7 * g * holdingBandM).toBeCloseTo(0.012, 15);
		expect(holdingBand({ massKg: 1, frictionNm: 0 }).holdingBandM).toBe(0);
		expect(() => holdingBand({ massKg: 0, frictionNm: 0.01 })).toThrow('massKg');
	});
});

describe('ellipticK', () => {
	it('agrees with the integral by the midpoint rule', () => {
		for (const k of [0, 0.2, Math.SQRT1_2, 0.9, 0.99]) {
			const cuts = 20_000;
			let sum = 0;
			for (let n = 0; n < cuts; n += 1)
				sum += 1 / Math.sqrt(1 - (k * Math.sin(((n + 0.5) / cuts) * (Math.PI / 2))) ** 2);
			expect(ellipticK(k)).toBeCloseTo((sum * Math.PI) / 2 / cuts, 10);
		}
		// The lemniscate constant, half: known to more digits than a double holds.
		expect(ellipticK(Math.SQRT1_2)).toBeCloseTo(1.854074677301372, 14);
	});
});
