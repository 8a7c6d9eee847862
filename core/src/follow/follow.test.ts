import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
	delayFromBuzz,
	followResponse,
	type FollowSettings,
	imbalanceSag,
	phaseMargin,
	shakeOnScreen,
	steadyLag,
	stickRate,
	stiffestNatural,
	zoomRate
} from '../index';

const free: FollowSettings = {
	followPerS: 3,
	deadbandRad: 0,
	maxRateRadPerS: 1e3,
	maxAccelRadPerS2: 1e6,
	smoothS: 0.06
};
const plant = { inertiaKgM2: 0.012, naturalRadPerS: 30, damping: 0.7, couplingNmS: 0, torqueNm: 0, delayS: 0 };
const number = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const anySettings = fc.record({
	followPerS: number(0.5, 12),
	deadbandRad: number(0, 0.3),
	maxRateRadPerS: number(0.5, 6),
	maxAccelRadPerS2: number(2, 60),
	smoothS: number(0.02, 0.6)
});

describe('what an axis does when the hand turns its handle', () => {
	it.each([
		['slow', 3, 0.06],
		['ringing', 4, 0.5],
		['quick', 9, 0.02]
	])('is the answer of a second-order system where nothing limits it: %s', (_, followPerS, smoothS) => {
		const atS = [0.05, 0.2, 0.5, 1, 2, 3.3];
		const { referenceRad } = followResponse({
			settings: { ...free, followPerS, smoothS },
			handle: { kind: 'step', angleRad: 0.5, atS: 0 },
			endS: 8,
			atS
		});
		// smooth·r'' + r' + follow·r = follow·h, by its roots.
		const [half, square] = [-1 / (2 * smoothS), 1 / (4 * smoothS ** 2) - followPerS / smoothS];
		atS.forEach((t, k) => {
			const root = Math.sqrt(Math.abs(square));
			const [even, odd] =
				square > 0
					? [Math.cosh(root * t), Math.sinh(root * t) / root]
					: [Math.cos(root * t), Math.sin(root * t) / root];
			expect(referenceRad[k]).toBeCloseTo(0.5 * (1 - Math.exp(half * t) * (even - half * odd)), 6);
		});
	});
	it('rests short by the dead band, whichever way it turned, and the sign goes with the turn', () => {
		fc.assert(
			fc.property(anySettings, number(0.4, 2.5), fc.boolean(), (settings, size, left) => {
				// What rings, or cannot brake in time, stops somewhere within the band.
				fc.pre(settings.followPerS >= 1 && settings.followPerS * settings.smoothS <= 0.24);
				const angleRad = left ? size : -size;
				const { restRad } = followResponse({
					settings: { ...settings, maxAccelRadPerS2: 1e4 },
					handle: { kind: 'step', angleRad, atS: 0 },
					endS: 16,
					atS: []
				});
				expect(restRad).toBeCloseTo(Math.sign(angleRad) * (size - settings.deadbandRad), 3);
			}),
			{ numRuns: 30 }
		);
	});
	it('never turns faster than its rate, nor gathers faster than it may', () => {
		fc.assert(
			fc.property(anySettings, number(-3, 3), (settings, angleRad) => {
				const atS = Array.from({ length: 300 }, (_, k) => k * 0.01);
				const { referenceRad, peakRateRadPerS } = followResponse({
					settings,
					handle: { kind: 'step', angleRad, atS: 0 },
					endS: 4,
					atS
				});
				expect(peakRateRadPerS).toBeLessThanOrEqual(settings.maxRateRadPerS * (1 + 1e-9));
				for (let k = 2; k < atS.length; k += 1) {
					const gathers = (referenceRad[k]! - 2 * referenceRad[k - 1]! + referenceRad[k - 2]!) / 0.01 ** 2;
					expect(Math.abs(gathers)).toBeLessThanOrEqual(settings.maxAccelRadPerS2 * 1.001 + 0.02);
				}
			}),
			{ numRuns: 30 }
		);
	});
	it('lags in a steady pan by the dead band and the rate over the follow rate, as the closed form says', () => {
		fc.assert(
			fc.property(anySettings, number(0.05, 0.95), fc.boolean(), (settings, share, left) => {
				fc.pre(settings.followPerS >= 1.2 && settings.followPerS * settings.smoothS <= 0.3);
				// Further behind than half a turn on the way, the short way is another.
				fc.pre(settings.deadbandRad + settings.maxRateRadPerS / settings.followPerS < 1.5);
				fc.pre(settings.maxAccelRadPerS2 > 4 * settings.maxRateRadPerS);
				const rateRadPerS = (left ? 1 : -1) * share * settings.maxRateRadPerS;
				const { lagRad } = followResponse({
					settings,
					handle: { kind: 'ramp', rateRadPerS, fromS: 0, toS: 16 },
					endS: 16.5,
					atS: []
				});
				const steady = steadyLag({ settings, rateRadPerS });
				expect(steady.lagRad).toBeCloseTo(
					Math.sign(rateRadPerS) * settings.deadbandRad + rateRadPerS / settings.followPerS,
					9
				);
				expect(lagRad).toBeCloseTo(steady.lagRad!, 3);
			}),
			{ numRuns: 25 }
		);
		expect(steadyLag({ settings: { ...free, maxRateRadPerS: 1 }, rateRadPerS: -1.5 })).toEqual({
			lagRad: null,
			feasible: false
		});
		expect(steadyLag({ settings: { ...free, followPerS: 0 }, rateRadPerS: 0.1 }).feasible).toBe(false);
	});
	it('goes beyond where it rests only where follow rate and smoothing together are more than a quarter', () => {
		const over = (followPerS: number, smoothS: number, angleRad: number) =>
			followResponse({
				settings: { ...free, followPerS, smoothS },
				handle: { kind: 'step', angleRad, atS: 0 },
				endS: 30,
				atS: []
			}).overshootRad;
		expect([over(2.5, 0.09, 0.5), over(2.5, 0.09, -0.5)]).toEqual([0, 0]);
		expect(over(4, 0.5, 0.5)).toBeGreaterThan(0.05);
		expect(over(4, 0.5, -0.5)).toBeCloseTo(over(4, 0.5, 0.5), 9);
	});
	it('goes along a path as along the ramp that it is', () => {
		const ramp = followResponse({
			settings: { ...free, deadbandRad: 0.05 },
			handle: { kind: 'ramp', rateRadPerS: -0.5, fromS: 0.3, toS: 2.3 },
			plant: { ...plant, couplingNmS: 0.1 },
			endS: 6,
			atS: [0.5, 1.7, 3]
		});
		const path = followResponse({
			settings: { ...free, deadbandRad: 0.05 },
			handle: { kind: 'path', atS: [0.3, 1, 2.3], angleRad: [0, -0.35, -1] },
			plant: { ...plant, couplingNmS: 0.1 },
			endS: 6,
			atS: [0.5, 1.7, 3]
		});
		path.cameraRad.forEach((angle, k) => expect(angle).toBeCloseTo(ramp.cameraRad[k]!, 9));
		expect(path.settleS).toBeCloseTo(ramp.settleS!, 6);
	});
	it('leans the camera by what its stiffness allows a bad balance, which sags less the stiffer it is', () => {
		const rest = (naturalRadPerS: number) =>
			followResponse({
				settings: free,
				handle: { kind: 'step', angleRad: 0, atS: 0 },
				plant: { ...plant, naturalRadPerS, torqueNm: -0.08 },
				endS: 6,
				atS: []
			}).restRad;
		for (const natural of [12, 24, 48])
			expect(rest(natural)).toBeCloseTo(
				imbalanceSag({ residualTorqueNm: -0.08, inertiaKgM2: 0.012, naturalRadPerS: natural }).sagRad,
				8
			);
		expect(rest(24) / rest(48)).toBeCloseTo(4, 4);
	});
	it('says when it has not come to rest by the end, and refuses what has no sense, at the field', () => {
		const step = { kind: 'step', angleRad: 1, atS: 0 } as const;
		expect(followResponse({ settings: free, handle: step, endS: 0.4, atS: [] }).settleS).toBeNull();
		const refused = (change: object, path: RegExp) =>
			expect(() => followResponse({ settings: free, handle: step, endS: 1, atS: [], ...change })).toThrow(path);
		refused({ settings: { ...free, deadbandRad: -0.1 } }, /deadbandRad/);
		refused({ settings: { ...free, smoothS: 0 } }, /smoothS/);
		refused({ plant: { ...plant, inertiaKgM2: 0 } }, /inertiaKgM2/);
		refused({ handle: { kind: 'ramp', rateRadPerS: 1, fromS: 2, toS: 1 } }, /toS/);
		refused({ handle: { kind: 'path', atS: [0, 0], angleRad: [0, 1] } }, /atS\[1\]/);
		refused({ handle: { kind: 'spin' } }, /kind/);
		refused({ endS: 601 }, /endS/);
		refused({ atS: [NaN] }, /atS\[0\]/);
	});
});

describe('the motor’s loop', () => {
	it('crosses over where the margin is counted: by halving on the loop itself', () => {
		fc.assert(
			fc.property(number(5, 90), number(0.05, 1.5), number(0, 0.012), (natural, damping, delayS) => {
				const gain = (w: number) => Math.hypot(natural ** 2, 2 * damping * natural * w) / w ** 2;
				let [low, high] = [natural * 0.1, natural * 20];
				for (let k = 0; k < 80; k += 1) {
					const middle = Math.sqrt(low * high);
					if (gain(middle) > 1) low = middle;
					else high = middle;
				}
				const told = phaseMargin({ inertiaKgM2: 0.01, naturalRadPerS: natural, damping, delayS });
				expect(told.crossoverRadPerS / low).toBeCloseTo(1, 9);
				expect(told.phaseMarginRad).toBeCloseTo(
					Math.atan2(2 * damping * natural * low, natural ** 2) - low * delayS,
					9
				);
			})
		);
	});
	it('buzzes beyond its margin and comes to rest within it, in the response of a late loop', () => {
		const swing = (naturalRadPerS: number) => {
			const atS = Array.from({ length: 400 }, (_, k) => 0.9 + k * 0.001);
			const late = Array.from({ length: 400 }, (_, k) => 2.5 + k * 0.001);
			const { cameraRad } = followResponse({
				settings: { ...free, followPerS: 0 },
				handle: { kind: 'step', angleRad: 0.2, atS: 0 },
				plant: { ...plant, naturalRadPerS, damping: 0.7, delayS: 0.01, couplingNmS: 1e-4 },
				endS: 3,
				atS: [...atS, ...late]
			});
			const size = (list: readonly number[]) => Math.max(...list.map(Math.abs));
			return size(cameraRad.slice(400)) / size(cameraRad.slice(0, 400));
		};
		const edge = stiffestNatural({ damping: 0.7, delayS: 0.01, phaseMarginRad: 0 }).naturalRadPerS;
		expect(swing(edge * 0.93)).toBeLessThan(0.9);
		expect(swing(edge * 1.07)).toBeGreaterThan(1.1);
	});
	it('never says of a loop that swings on that it settles, whenever the time is up', () => {
		const natural = 1.2 * stiffestNatural({ damping: 0.7, delayS: 0.01, phaseMarginRad: 0 }).naturalRadPerS;
		for (let k = 0; k < 40; k += 1) {
			const { settleS } = followResponse({
				settings: free,
				handle: { kind: 'step', angleRad: k % 2 === 0 ? 0.5 : -0.5, atS: 0 },
				plant: { ...plant, naturalRadPerS: natural, delayS: 0.01 },
				endS: 4 + k * 0.0037,
				atS: []
			});
			expect(settleS).toBeNull();
		}
	});
	it('begins to buzz within a tenth of a millisecond of where the loop’s own edge lies', () => {
		const delayS = 0.005;
		const buzzes = (lateS: number) => {
			// The rate that is at the edge when it is so late.
			const { naturalRadPerS } = stiffestNatural({ damping: 0.7, delayS: lateS, phaseMarginRad: 0 });
			const { cameraRad } = followResponse({
				settings: { followPerS: 3, deadbandRad: 0, maxRateRadPerS: 9, maxAccelRadPerS2: 90, smoothS: 0.06 },
				handle: { kind: 'step', angleRad: 0.05, atS: 0 },
				plant: { inertiaKgM2: 0.02, damping: 0.7, couplingNmS: 0, naturalRadPerS, delayS },
				...{ endS: 8, atS: Array.from({ length: 400 }, (_, k) => 4 + k * 0.01) }
			});
			const swing = (from: number, to: number) =>
				Math.max(...cameraRad.slice(from, to)) - Math.min(...cameraRad.slice(from, to));
			return swing(300, 400) > swing(0, 100);
		};
		// A rate made for a loop that is a tenth later than this one does not reach its edge, one made for a tenth less is beyond it.
		expect(buzzes(delayS + 1e-4)).toBe(false);
		expect(buzzes(delayS - 1e-4)).toBe(true);
	});
	it('gives back the margin that the stiffest setting was asked for, and says so where no stiffness has it', () => {
		fc.assert(
			fc.property(number(0.3, 1.5), number(0.001, 0.02), number(0.1, 0.6), (damping, delayS, margin) => {
				const { naturalRadPerS, feasible } = stiffestNatural({ damping, delayS, phaseMarginRad: margin });
				fc.pre(feasible);
				const told = phaseMargin({ inertiaKgM2: 0.02, naturalRadPerS, damping, delayS });
				expect(told.phaseMarginRad).toBeCloseTo(margin, 9);
				// Stiffer is nearer to buzzing.
				const stiffer = phaseMargin({ inertiaKgM2: 0.02, naturalRadPerS: 2 * naturalRadPerS, damping, delayS });
				expect(stiffer.phaseMarginRad).toBeLessThan(margin);
			})
		);
		expect(stiffestNatural({ damping: 0.1, delayS: 0.005, phaseMarginRad: 1 })).toEqual({
			naturalRadPerS: 0,
			feasible: false
		});
		expect(() => stiffestNatural({ damping: 0.7, delayS: 0 })).toThrow(/delayS/);
	});

	it('a buzz tells the delay: the stiffest without any margin there is the rate that buzzed', () => {
		fc.assert(
			fc.property(number(0.2, 1.5), number(5, 150), (damping, naturalRadPerS) => {
				const { delayS } = delayFromBuzz({ damping, naturalRadPerS });
				const edge = stiffestNatural({ damping, delayS, phaseMarginRad: 0 }).naturalRadPerS;
				expect(edge / naturalRadPerS).toBeCloseTo(1, 9);
				expect(
					phaseMargin({ inertiaKgM2: 1, damping, delayS, naturalRadPerS: edge * 1.01 }).phaseMarginRad
				).toBeLessThan(0);
				expect(delayFromBuzz({ damping, naturalRadPerS: naturalRadPerS * 2 }).delayS).toBeCloseTo(delayS / 2, 12);
			})
		);
		expect(() => delayFromBuzz({ damping: 0, naturalRadPerS: 10 })).toThrow(/damping/);
	});
});

describe('a walk on the screen', () => {
	const held = {
		inertiaKgM2: 0.012,
		naturalRadPerS: 20,
		damping: 0.7,
		couplingNmS: 0.03,
		firstMomentKgM: 0.006,
		walk: [
			{ amplitudeM: 0.03, frequencyHz: 1.8 },
			{ amplitudeM: 0.001, frequencyHz: 7.7 }
		],
		focalM: 0.05,
		sensorWidthM: 0.036
	};
	it('is what stepping the axis through it shows', () => {
		const { inertiaKgM2, naturalRadPerS, damping, couplingNmS, firstMomentKgM, walk } = held;
		const push = (t: number) =>
			walk.reduce((sum, { amplitudeM, frequencyHz }) => {
				const omega = 2 * Math.PI * frequencyHz;
				return sum - amplitudeM * omega ** 2 * Math.sin(omega * t);
			}, 0);
		const h = 2e-4;
		let [c, w, sum, count] = [0, 0, 0, 0];
		for (let t = 0; t < 40; t += h) {
			const a =
				(-inertiaKgM2 * naturalRadPerS ** 2 * c -
					(2 * damping * naturalRadPerS * inertiaKgM2 + couplingNmS) * w +
					firstMomentKgM * push(t)) /
				inertiaKgM2;
			w += h * a;
			c += h * w;
			if (t < 10) continue;
			sum += Math.tan(c) ** 2;
			count += 1;
		}
		const rms = (100 * Math.sqrt(sum / count) * held.focalM) / held.sensorWidthM;
		expect(shakeOnScreen(held).rmsPercent / rms).toBeCloseTo(1, 2);
	});
	it('grows with the focal length and the offset alike, and is nothing for a camera hung in its centre', () => {
		const { rmsPercent } = shakeOnScreen(held);
		expect(shakeOnScreen({ ...held, focalM: 0.1 }).rmsPercent).toBeCloseTo(2 * rmsPercent, 9);
		expect(shakeOnScreen({ ...held, firstMomentKgM: -0.012 }).rmsPercent / rmsPercent).toBeCloseTo(2, 3);
		expect(shakeOnScreen({ ...held, firstMomentKgM: 0 }).rmsPercent).toBe(0);
		expect(shakeOnScreen({ ...held, naturalRadPerS: 60 }).rmsPercent).toBeLessThan(rmsPercent);
	});
	it('is refused where the camera would swing more than a picture can say', () => {
		expect(() => shakeOnScreen({ ...held, firstMomentKgM: 2 })).toThrow(/naturalRadPerS/);
		expect(() => shakeOnScreen({ ...held, damping: 0, couplingNmS: 0, naturalRadPerS: 2 * Math.PI * 1.8 })).toThrow();
		expect(() => shakeOnScreen({ ...held, walk: [] })).toThrow(/walk/);
	});
});

describe('a stick', () => {
	const stick = { deadZone: 0.08, expo: 0.4, maxRateRadPerS: 1.2 };
	it('starts from nothing, never turns back, ends at the full rate, and is the same both ways', () => {
		fc.assert(
			fc.property(number(0, 0.9), number(0, 1), number(0, 1), number(0, 1), (deadZone, expo, a, b) => {
				const rate = (deflection: number) => stickRate({ deflection, deadZone, expo, maxRateRadPerS: 1.2 }).rateRadPerS;
				const [low, high] = [Math.min(a, b), Math.max(a, b)];
				expect(rate(high)).toBeGreaterThanOrEqual(rate(low));
				expect(rate(-high)).toBeCloseTo(-rate(high), 12);
				expect(rate(deadZone)).toBe(0);
				expect([rate(1), rate(-1), rate(7)]).toEqual([1.2, -1.2, 1.2]);
			})
		);
		expect(() => stickRate({ ...stick, deflection: 0, deadZone: 1 })).toThrow(/deadZone/);
		expect(() => stickRate({ ...stick, deflection: NaN })).toThrow(/deflection/);
	});
	it('slows with the focal length so that the picture keeps its pace, up to what the head turns at', () => {
		const at = (focalM: number) =>
			zoomRate({ maxRateRadPerS: 1, widthsPerS: 0.3, focalM, sensorWidthM: 0.036 }).rateRadPerS;
		expect(at(0.1) / at(0.2)).toBeCloseTo(2, 12);
		expect(at(0.01)).toBe(1);
	});
});
