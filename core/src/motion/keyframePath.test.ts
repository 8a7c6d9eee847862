import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
	aim,
	aimAxes,
	depthOfField,
	fitDurations,
	type KeyedMove,
	keyframePath,
	panLinkage,
	profile,
	type ProfileKind,
	readPath,
	stopMotion,
	timelapse
} from '../index';

const number = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const moves: fc.Arbitrary<KeyedMove> = fc
	.record({
		gaps: fc.array(fc.record({ gap: number(0.3, 4), dwell: fc.oneof(fc.constant(0), number(0.1, 2)) }), {
			minLength: 2,
			maxLength: 9
		}),
		values: fc.array(fc.tuple(number(-2, 2), number(-3, 3)), { minLength: 9, maxLength: 9 }),
		ends: fc.constantFrom('natural' as const, 'still' as const)
	})
	.map(({ gaps, values, ends }) => {
		let tS = 0;
		const keys = gaps.map(({ gap, dwell }, k) => {
			const key = { tS, dwellS: dwell, values: { trackM: values[k]![0], panRad: values[k]![1] } };
			tS += dwell + gap;
			return key;
		});
		return { keys, ends, angles: 'asGiven' as const };
	});
const times = (durationS: number, count: number) =>
	Array.from({ length: count + 1 }, (_, k) => (durationS * k) / count);

describe('a move through keys', () => {
	it('is at every key when it arrives, and stands still through its dwell', () => {
		fc.assert(
			fc.property(moves, (move) => {
				const { keys } = move;
				const arrive = keyframePath({ ...move, atS: keys.map(({ tS }) => tS) });
				const leave = keyframePath({ ...move, atS: keys.map(({ tS, dwellS = 0 }) => tS + dwellS / 2) });
				keys.forEach(({ values, dwellS = 0 }, k) => {
					for (const axis of ['trackM', 'panRad'] as const) {
						expect(arrive.values[axis]![k]).toBeCloseTo(values[axis]!, 9);
						if (dwellS > 0) expect(leave.values[axis]![k]).toBeCloseTo(values[axis]!, 9);
						if (dwellS > 0) expect(Math.abs(leave.rates[axis]![k]!)).toBeLessThan(1e-9);
					}
				});
			})
		);
	});
	it('has rates that are the slopes of its values', () => {
		fc.assert(
			fc.property(moves, number(0.02, 0.98), (move, share) => {
				const { durationS } = keyframePath({ ...move, atS: [] });
				const [at, step] = [durationS * share, 1e-6];
				const { values, rates } = keyframePath({ ...move, atS: [at - step, at, at + step] });
				const slope = (values.trackM![2]! - values.trackM![0]!) / (2 * step);
				expect(Math.abs(slope - rates.trackM![1]!)).toBeLessThan(1e-3 + 1e-4 * Math.abs(slope));
			})
		);
	});
	it('has peaks that no dense sampling finds more than', () => {
		fc.assert(
			fc.property(moves, (move) => {
				const { durationS, peaks } = keyframePath({ ...move, atS: [] });
				const atS = times(durationS, 4000);
				const { rates } = keyframePath({ ...move, atS });
				for (const axis of ['trackM', 'panRad'] as const) {
					const dense = Math.max(...rates[axis]!.map(Math.abs));
					expect(dense).toBeLessThanOrEqual(peaks[axis]!.rate * (1 + 1e-9) + 1e-12);
					expect(dense).toBeGreaterThan(peaks[axis]!.rate * 0.98 - 1e-6);
					const hardest = rates[axis]!.slice(1).reduce(
						(most, rate, k) => Math.max(most, Math.abs(rate - rates[axis]![k]!) / (atS[k + 1]! - atS[k]!)),
						0
					);
					expect(hardest).toBeLessThanOrEqual(peaks[axis]!.accel * (1 + 1e-6) + 1e-9);
				}
			}),
			{ numRuns: 40 }
		);
	});
	it('is straight between two stops: every axis has made the same share of its way', () => {
		const stop = (tS: number, trackM: number, panRad: number) => ({ tS, dwellS: 0.5, values: { trackM, panRad } });
		const { values } = keyframePath({
			keys: [stop(0, 0, 0), stop(3, 1, -0.8)],
			ends: 'natural',
			angles: 'asGiven',
			atS: times(3.5, 40)
		});
		values.trackM!.forEach((value, k) => expect(values.panRad![k]).toBeCloseTo(-0.8 * value, 12));
	});
	it('turns the short way, unless told to turn as the values say', () => {
		const keys = [
			{ tS: 0, values: { panRad: 3 } },
			{ tS: 1, values: { panRad: -3 } }
		];
		const at = (angles: KeyedMove['angles']) =>
			keyframePath({ keys, ends: 'natural', angles, atS: [1] }).values.panRad![0]!;
		expect(at('shortWay')).toBeCloseTo(2 * Math.PI - 3, 12);
		expect(at('asGiven')).toBe(-3);
	});
	it('exactly half a turn goes the way the values say: there and back ends where it began', () => {
		for (const turn of [Math.PI, -Math.PI]) {
			const keys = [0, turn, 0].map((panRad, k) => ({ tS: k, values: { panRad } }));
			const { values } = keyframePath({ keys, ends: 'natural', angles: 'shortWay', atS: [0, 1, 2] });
			expect(values.panRad).toEqual([0, turn, 0]);
		}
	});
	it('refuses keys at one time, keys within a dwell, and axes that come and go', () => {
		const key = (tS: number, values: Record<string, number>, dwellS = 0) => ({ tS, values, dwellS });
		const path =
			(...keys: ReturnType<typeof key>[]) =>
			() =>
				keyframePath({ keys, ends: 'still', angles: 'shortWay', atS: [] });
		expect(path(key(0, { trackM: 0 }), key(0, { trackM: 1 }))).toThrow(/keys\[1\]\.tS/);
		expect(path(key(0, { trackM: 0 }, 2), key(1, { trackM: 1 }))).toThrow(/keys\[1\]\.tS/);
		expect(path(key(0, { trackM: 0 }), key(1, { panRad: 1 }))).toThrow(/keys\[1\]/);
		expect(path(key(0, {}))).toThrow(/axes/);
	});
});

it('no moment of a move is beyond its extents, and they are where they are told to be', () => {
	fc.assert(
		fc.property(moves, (move) => {
			const path = readPath(move);
			const { values } = path.at(times(path.durationS, 300));
			for (const [axis, { low, lowAtS, high, highAtS }] of Object.entries(path.extents)) {
				for (const value of values[axis]!) {
					expect(value).toBeGreaterThan(low - 1e-9);
					expect(value).toBeLessThan(high + 1e-9);
				}
				const [atLow, atHigh] = path.at([lowAtS, highAtS]).values[axis]!;
				expect(atLow).toBeCloseTo(low, 9);
				expect(atHigh).toBeCloseTo(high, 9);
			}
		})
	);
});

describe('keys that tell their rates', () => {
	const rated = (keys: KeyedMove['keys']): KeyedMove => ({ keys, ends: 'still', angles: 'asGiven' });
	it('are passed at them, and a spline told so by its own rates is itself', () => {
		fc.assert(
			fc.property(moves, (move) => {
				const flowing = { ...move, keys: move.keys.map(({ dwellS: _, ...key }) => key) };
				const atS = flowing.keys.map(({ tS }) => tS);
				const { rates } = keyframePath({ ...flowing, atS });
				const told = rated(
					flowing.keys.map((key, k) => ({
						...key,
						rates: Object.fromEntries(Object.entries(rates).map(([axis, each]) => [axis, each[k]!]))
					}))
				);
				const between = times(atS[atS.length - 1]!, 60);
				const [own, again] = [flowing, told].map((each) => keyframePath({ ...each, atS: between }));
				for (const axis of ['trackM', 'panRad'])
					own!.values[axis]!.forEach((value, k) => expect(again!.values[axis]![k]).toBeCloseTo(value, 6));
			})
		);
	});
	it('a trapezoid of speed is exact: its top speed, what it gains, and how much longer it has to last', () => {
		const at = (tS: number, trackM: number, rate: number) => ({ tS, values: { trackM }, rates: { trackM: rate } });
		const move = rated([at(0, 0, 0), at(1, 0.12, 0.24), at(5, 1.08, 0.24), at(6, 1.2, 0)]);
		const { peaks, rates } = keyframePath({ ...move, atS: [0.5, 3, 5.75] });
		expect(peaks.trackM).toMatchObject({ rate: expect.closeTo(0.24, 12), accel: expect.closeTo(0.24, 12) });
		[0.12, 0.24, 0.06].forEach((rate, k) => expect(rates.trackM![k]).toBeCloseTo(rate, 12));
		expect(fitDurations({ ...move, limits: { trackM: { maxRate: 0.12, maxAccel: 10 } } }).scale).toBeCloseTo(2, 12);
	});
	it('arrives as told, rests, and leaves as told, or from rest', () => {
		const keys = (leaves?: Record<string, number>) => [
			{ tS: 0, values: { trackM: 0 }, rates: { trackM: 0.5 } },
			{ tS: 2, dwellS: 1, values: { trackM: 1 }, rates: { trackM: 0.5 }, ...(leaves === undefined ? {} : { leaves }) },
			{ tS: 5, values: { trackM: 0 }, rates: { trackM: -0.5 } }
		];
		const rates = (leaves?: Record<string, number>) =>
			keyframePath({ ...rated(keys(leaves)), atS: [2 - 1e-12, 2.5, 3 + 1e-12] }).rates.trackM!;
		[0.5, 0, -0.5].forEach((rate, k) => expect(rates({ trackM: -0.5 })[k]).toBeCloseTo(rate, 9));
		[0.5, 0, 0].forEach((rate, k) => expect(rates()[k]).toBeCloseTo(rate, 9));
	});
	it('are told of every key or of none, and are figures', () => {
		const key = { tS: 1, values: { trackM: 1 } };
		const first = { tS: 0, values: { trackM: 0 }, rates: { trackM: 0 } };
		expect(() => keyframePath({ ...rated([first, key]), atS: [] })).toThrow(/keys\[1\]\.rates/);
		expect(() => keyframePath({ ...rated([first, { ...key, rates: { trackM: NaN } }]), atS: [] })).toThrow(
			/keys\[1\]\.rates\.trackM/
		);
	});
});

it('an axis that stands alike at two keys in a row swings past them, or stays where that is asked', () => {
	const keys = [0, 1, 1, 3].map((trackM, k) => ({ tS: k, values: { trackM, panRad: k } }));
	const at = (alike?: 'swings' | 'stays') =>
		keyframePath({ keys, ends: 'natural', angles: 'asGiven', ...(alike === undefined ? {} : { alike }), atS: [1.5] });
	expect(Math.abs(at().values.trackM![0]! - 1)).toBeGreaterThan(0.01);
	expect(at('swings')).toEqual(at());
	expect(at('stays').values.trackM![0]).toBe(1);
	expect(at('stays').values.panRad![0]).toBeCloseTo(1.5, 12);
});

it('a move stretched as told keeps its limits exactly, where nothing dwells', () => {
	const limits = { trackM: { maxRate: 0.4, maxAccel: 0.6 }, panRad: { maxRate: 0.8, maxAccel: 1.1 } };
	fc.assert(
		fc.property(moves, (move) => {
			const still = { ...move, keys: move.keys.map(({ dwellS: _, ...key }, k) => ({ ...key, tS: k * 1.3 })) };
			const { scale, bindingAxis, bindingLimit } = fitDurations({ ...still, limits });
			fc.pre(scale > 1e-3);
			const stretched = { ...still, keys: still.keys.map((key) => ({ ...key, tS: key.tS * scale })) };
			const { peaks } = keyframePath({ ...stretched, atS: [] });
			const shares = Object.entries(limits).flatMap(([axis, { maxRate, maxAccel }]) => [
				[axis, 'speed', peaks[axis]!.rate / maxRate] as const,
				[axis, 'acceleration', peaks[axis]!.accel / maxAccel] as const
			]);
			expect(Math.max(...shares.map(([, , share]) => share))).toBeCloseTo(1, 6);
			expect(shares.find(([axis, limit]) => axis === bindingAxis && limit === bindingLimit)![2]).toBeCloseTo(1, 6);
		})
	);
});

describe('how a carriage goes a distance', () => {
	const kinds: ProfileKind[] = ['even', 'soft', 'build', 'eased'];
	it.each(kinds)('%s: it arrives, never goes back, and its speed is the slope of its place', (kind) => {
		fc.assert(
			fc.property(
				number(0.05, 8),
				number(0.05, 2),
				number(0.1, 3),
				number(0.1, 3),
				(distanceM, peak, rampInS, rampOutS) => {
					const asked = { kind, distanceM, peakSpeedMPerS: peak, rampInS, rampOutS };
					const { durationS } = profile({ ...asked, atS: [] });
					const atS = times(durationS, 400);
					const { positionM, speedMPerS, peakSpeedMPerS } = profile({ ...asked, atS });
					expect(positionM[0]).toBe(0);
					expect(positionM[400]).toBeCloseTo(distanceM, 9);
					expect(Math.max(...speedMPerS)).toBeLessThanOrEqual(peakSpeedMPerS * (1 + 1e-9));
					expect(peakSpeedMPerS).toBeLessThanOrEqual(peak);
					for (let k = 1; k < 400; k += 1) {
						expect(positionM[k]).toBeGreaterThanOrEqual(positionM[k - 1]!);
						const slope = (positionM[k + 1]! - positionM[k - 1]!) / (atS[k + 1]! - atS[k - 1]!);
						expect(Math.abs(slope - speedMPerS[k]!)).toBeLessThan(
							0.03 * peakSpeedMPerS + (peakSpeedMPerS / Math.min(rampInS, rampOutS)) * atS[1]!
						);
					}
				}
			),
			{ numRuns: 20 }
		);
	});
	it('soft ends rest; a build ends hard', () => {
		const end = (kind: ProfileKind) => {
			const asked = { kind, distanceM: 1, peakSpeedMPerS: 0.5 };
			const { durationS } = profile({ ...asked, atS: [] });
			return profile({ ...asked, atS: [0, durationS, durationS + 1] }).speedMPerS;
		};
		expect(end('soft')).toEqual([0, expect.closeTo(0, 9), 0]);
		expect(end('build')).toEqual([0, 0.5, 0]);
	});
});

describe('a pan bar', () => {
	const bar = { crankM: 0.11, distanceM: 1.8, halfTravelM: 0.6, focalM: 0.05, sensorWidthM: 0.036 } as const;
	it('matched at its ends has no error there; the least worst is never worse anywhere', () => {
		fc.assert(
			fc.property(number(0.6, 5), number(0.2, 1), (distanceM, halfTravelM) => {
				fc.pre(distanceM > halfTravelM);
				const asked = {
					...bar,
					distanceM,
					halfTravelM,
					setting: 'holding',
					atM: [-halfTravelM, 0, halfTravelM]
				} as const;
				const ends = panLinkage({ ...asked, choose: 'ends' });
				ends.errorPercent.forEach((error) => expect(Math.abs(error)).toBeLessThan(1e-6));
				const least = panLinkage({ ...asked, choose: 'leastWorst' });
				expect(least.worstErrorPercent).toBeLessThanOrEqual(ends.worstErrorPercent * (1 + 1e-6));
			})
		);
	});
	it('holding turns back towards the subject as it travels forwards; sweeping turns outwards', () => {
		const pan = (setting: 'holding' | 'sweeping') =>
			panLinkage({ ...bar, choose: 'ends', setting, atM: [0.4] }).panRad[0]!;
		expect(pan('holding')).toBeLessThan(0);
		expect(pan('sweeping')).toBeCloseTo(-pan('holding'), 12);
	});
});

describe('what is sharp, and when frames fall', () => {
	it('near and far stand on either side of the focus and swap the hyperfocal for infinity', () => {
		fc.assert(
			fc.property(number(0.012, 0.2), number(1.4, 16), number(0.5, 30), (focalM, fNumber, focusM) => {
				const told = depthOfField({ focalM, fNumber, circleM: 2e-5, focusM, sensorWidthM: 0.036 });
				expect(told.nearM).toBeLessThan(focusM);
				expect(told.farM === null).toBe(focusM >= told.hyperfocalM);
				if (told.farM !== null) expect(told.farM).toBeGreaterThan(focusM);
			})
		);
		expect(() => depthOfField({ focalM: 0.05, fNumber: 2, circleM: 2e-5, focusM: 0.04, sensorWidthM: 0.036 })).toThrow(
			/focusM/
		);
	});
	it('aim is a head on a level base', () => {
		const subjectM = [2, -1, 0.4] as const;
		const { panRad, tiltRad, focusM } = aim({ cameraM: [0.3, 0.2, 1.1], subjectM });
		const level = { kind: 'fixed', centreM: [0.3, 0.2, 1.1], base: { headingRad: 0, tiltRad: 0, rollRad: 0 } } as const;
		expect(aimAxes({ mount: level, axes: {}, subjectM })).toMatchObject({
			panRad: expect.closeTo(panRad, 12) as number,
			tiltRad: expect.closeTo(tiltRad, 12) as number,
			focusM: expect.closeTo(focusM, 12) as number
		});
	});
	it('a time-lapse counts its last frame, and says when the interval is too short', () => {
		const steps = { shutterS: 1, writeS: 0.5, moveS: 1, settleS: 0.5, fps: 25 };
		expect(timelapse({ ...steps, intervalS: 3, durationS: 30 })).toMatchObject({
			frames: 11,
			shortestIntervalS: 3,
			fits: true
		});
		expect(timelapse({ ...steps, intervalS: 2.9, durationS: 30 }).fits).toBe(false);
	});
	it('stop motion begins at the first key, whenever that is', () => {
		const at = (beginS: number) =>
			stopMotion({
				keys: [
					{ tS: beginS, values: { trackM: 0 } },
					{ tS: beginS + 5, values: { trackM: 1 } }
				],
				...{ ends: 'natural', angles: 'asGiven', fps: 2, seconds: 3 }
			}).positions.trackM!;
		at(5).forEach((place, n) => expect(place).toBeCloseTo(n / 5, 12));
		at(-5).forEach((place, n) => expect(place).toBeCloseTo(at(0)[n]!, 12));
	});
	it('stop motion’s increments add up to the whole way', () => {
		fc.assert(
			fc.property(moves, (move) => {
				const { positions, increments, frames } = stopMotion({ ...move, fps: 12, seconds: 2 });
				expect([frames, increments.trackM!.length]).toEqual([24, 23]);
				const sum = increments.trackM!.reduce((total, step) => total + step, positions.trackM![0]!);
				expect(sum).toBeCloseTo(move.keys[move.keys.length - 1]!.values.trackM!, 9);
			})
		);
	});
});
