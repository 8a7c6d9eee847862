import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
	aimAxes,
	cranePose,
	headPass,
	headRate,
	levelLinkage,
	linkageFromLevels,
	seededRandom,
	tuneLinkage,
	type Vec3
} from '../index';

const drawn = { armM: 2.6, linkM: 0.18, rearPivotM: [0, 0.18] as const, rodM: 2.6 };
const booms = [-0.9, -0.5, -0.1, 0.3, 0.7, 1];

describe('the levelling linkage', () => {
	it.each([0.05, 0.12, 0.3, -0.2])('an exact parallelogram is level for every boom, link %d m', (link) => {
		const { tiltErrorRad } = levelLinkage({
			armM: 3.1,
			linkM: Math.abs(link),
			rearPivotM: [0, link],
			rodM: 3.1,
			boomRad: booms
		});
		for (const error of tiltErrorRad) expect(Math.abs(error!)).toBeLessThan(1e-12);
	});
	it('keeps rod and link at their lengths', () => {
		const off = { ...drawn, rodM: 2.585, rearPivotM: [0.03, 0.2] as const };
		// The pin stands where both lengths say, from the angle that was found.
		const level = levelLinkage({ ...off, boomRad: [0] }).tiltErrorRad[0];
		expect(level).toBe(0);
		const [a, b] = levelLinkage({ ...off, boomRad: [0.4, 0.4 + 1e-6] }).tiltErrorRad as [number, number];
		expect(Math.abs(b - a)).toBeLessThan(1e-5);
	});
	it('says where it would lock, and refuses one that does not close', () => {
		expect(levelLinkage({ ...drawn, rodM: 2.7, boomRad: [0, 1.2] }).tiltErrorRad[1]).toBeNull();
		expect(() => levelLinkage({ ...drawn, rodM: 1, boomRad: [0] })).toThrow('rodM');
		expect(() => levelLinkage({ ...drawn, linkM: 0, boomRad: [0] })).toThrow('linkM');
	});
});

describe('tuning it', () => {
	const worst = (rodM: number) =>
		Math.max(
			...levelLinkage({ ...drawn, rearPivotM: [0.02, 0.17], rodM, boomRad: fine }).tiltErrorRad.map((e) => Math.abs(e!))
		);
	const fine = Array.from({ length: 41 }, (_, index) => -0.8 + 0.04 * index);
	it('finds no worse a rod than trying every half millimetre', () => {
		const tuned = tuneLinkage({ ...drawn, rearPivotM: [0.02, 0.17], boomRangeRad: [-0.8, 0.8], free: { rodM: 0.05 } });
		const tried = Array.from({ length: 201 }, (_, index) => worst(2.55 + 0.0005 * index)).filter(Number.isFinite);
		expect(tuned.worstErrorRad).toBeLessThanOrEqual(Math.min(...tried) + 1e-9);
		expect(tuned.worstErrorRad).toBeLessThan(tuned.worstBeforeRad);
		expect(Math.abs(tuned.rodM - 2.6)).toBeLessThanOrEqual(0.05);
	});
	it('with rod and pivot free comes back to the parallelogram', () => {
		const tuned = tuneLinkage({
			...drawn,
			rodM: 2.59,
			rearPivotM: [0, 0.165],
			boomRangeRad: [-0.8, 0.8],
			free: { rodM: 0.04, pivotUpM: 0.04 }
		});
		expect(tuned.worstErrorRad).toBeLessThan(1e-3);
		expect(tuned.rearPivotM[1]).toBeCloseTo(0.18, 3);
	});
	it('meets a wanted tilt at a wanted boom', () => {
		const tuned = tuneLinkage({
			...drawn,
			boomRangeRad: [-0.6, 0.6],
			free: { rodM: 0.05, pivotUpM: 0.05 },
			wanted: { boomRad: 0.6, tiltRad: 0.03 }
		});
		expect(tuned.worstErrorRad).toBeLessThan(1e-5);
		const { rodM, rearPivotM } = tuned;
		expect(levelLinkage({ ...drawn, rodM, rearPivotM, boomRad: [0.6] }).tiltErrorRad[0]).toBeCloseTo(0.03, 4);
	});
	it('refuses when nothing may move', () => {
		expect(() => tuneLinkage({ ...drawn, boomRangeRad: [0, 1], free: {} })).toThrow('free');
	});
});

describe('what levels say', () => {
	const reading = (truth: object, headRad = 0) =>
		[-0.7, 0, 0.7].map((boomRad) => ({
			boomRad,
			tiltRad: headRad + levelLinkage({ ...drawn, ...truth, boomRad: [boomRad] }).tiltErrorRad[0]!
		}));
	it.each([-0.02, -0.006, 0.012])('find a rod off by %d m, whatever the head itself is tilted by', (byM) => {
		const found = linkageFromLevels({ ...drawn, readings: reading({ rodM: 2.6 + byM }, 0.05) });
		expect(found.fault).toBe('rod');
		expect(found.byM).toBeCloseTo(byM, 9);
		expect(found.rod.leftRad).toBeLessThan(1e-9);
	});
	it.each([-0.03, 0.02])('find a rear pivot off by %d m', (byM) => {
		const found = linkageFromLevels({ ...drawn, readings: reading({ rearPivotM: [0, 0.18 + byM] }) });
		expect(found.fault).toBe('pivotUp');
		expect(found.byM).toBeCloseTo(byM, 8);
	});
	it('find nothing in a level that only trembles, and say when two readings cannot tell', () => {
		const random = seededRandom(4);
		const still = [-0.7, 0, 0.7].map((boomRad) => ({ boomRad, tiltRad: 0.001 * (random() - 0.5) }));
		expect(linkageFromLevels({ ...drawn, readings: still })).toMatchObject({ fault: 'none', byM: 0 });
		const two = reading({ rodM: 2.585 }).filter(({ boomRad }) => boomRad >= 0);
		expect(linkageFromLevels({ ...drawn, readings: two }).unsure).toBe(true);
		expect(() => linkageFromLevels({ ...drawn, readings: [{ boomRad: 0.1, tiltRad: 0 }] })).toThrow('readings');
	});
});

describe('head rate', () => {
	it.each([1, 2, 3, 4, 5, 6, 7, 8])('is what a small step does to the aim, seed %d', (seed) => {
		const random = seededRandom(seed);
		const any = (): Vec3 => [4 * random() - 2, 4 * random() - 2, 4 * random() - 2];
		const [cameraM, velocityMPerS] = [any(), any()];
		const subjectM = any().map((value, axis) => value + [5, 3, 1][axis]!) as unknown as Vec3;
		const aim = (t: number) => {
			const [x, y, z] = subjectM.map(
				(value, axis) => value - cameraM[axis]! - velocityMPerS[axis]! * t
			) as unknown as Vec3;
			return [Math.atan2(y, x), Math.atan2(z, Math.hypot(x, y)), Math.hypot(x, y, z)] as const;
		};
		const step = 1e-6;
		const slope = aim(step).map((value, index) => (value - aim(-step)[index]!) / (2 * step));
		const { panRadPerS, tiltRadPerS, focusMPerS } = headRate({ cameraM, velocityMPerS, subjectM });
		expect(panRadPerS).toBeCloseTo(slope[0]!, 6);
		expect(tiltRadPerS).toBeCloseTo(slope[1]!, 6);
		expect(focusMPerS).toBeCloseTo(slope[2]!, 6);
	});
	it('has no pan straight above the subject, and no answer on it', () => {
		expect(headRate({ cameraM: [0, 0, 3], velocityMPerS: [1, 0, 0], subjectM: [0, 0, 0] }).panRadPerS).toBe(0);
		expect(() => headRate({ cameraM: [1, 1, 1], velocityMPerS: [1, 0, 0], subjectM: [1, 1, 1] })).toThrow('subjectM');
	});
});

describe('a pass', () => {
	const reach = { noseM: [3, 0] as const, tailM: [-1, 0] as const, lensM: [0.15, -0.2] as const, keptLevel: true };
	const pass = { fromSwingRad: -0.9, toSwingRad: 0.9, fromBoomRad: 0, toBoomRad: 0.3, durationS: 6 };
	const limits = { panRadPerS: 0.6, tiltRadPerS: 0.6, panRadPerS2: 1.2, tiltRadPerS2: 1.2 };
	const run = (next: object = {}) =>
		headPass({
			reach,
			pivotM: [0, 0, 1.4],
			pass,
			subjectM: [5, 0, 1.5],
			limits,
			focalM: 0.035,
			sensorWidthM: 0.036,
			...next
		});
	it('needs the more the faster it goes, and just what the head has in the shortest honest time', () => {
		const quick = run({ pass: { ...pass, durationS: 3 } });
		expect(quick.demand).toBeGreaterThan(run().demand);
		const honest = run({ pass: { ...pass, durationS: quick.shortestS } });
		expect(honest.demand).toBeCloseTo(1, 3);
		expect(honest.shortestS).toBeCloseTo(quick.shortestS, 3);
		expect(run({ pass: { ...pass, durationS: 1.2 * quick.shortestS } }).worstErrorWidths).toBeLessThan(0.03);
	});
	it('loses the subject when it is done too fast anyway, and the more the longer the lens', () => {
		const quick = { pass: { ...pass, durationS: 2 } };
		const wide = run(quick).worstErrorWidths;
		expect(wide).toBeGreaterThan(0.05);
		expect(run({ ...quick, focalM: 0.07 }).worstErrorWidths).toBeCloseTo(2 * wide, 6);
	});
	it('counts the turns of the head’s own axes: its base swings with the arm', () => {
		const arm = { noseM: [4, 0] as const, tailM: [-1, 0] as const, lensM: [0, 0] as const, keptLevel: true };
		const swung = { fromSwingRad: -0.8, toSwingRad: 0.8, fromBoomRad: 0, toBoomRad: 0, durationS: 4 };
		const peak = (subjectM: Vec3) => run({ reach: arm, pass: swung, subjectM }).peak.panRadPerS;
		// At twice the arm's length the head turns against the arm by as much as the arm turns: twice what the room sees.
		expect(peak([8, 0, 1.4])).toBeCloseTo(1.5, 2);
		// A subject at the pivot stays behind the arm, wherever that points.
		expect(peak([0.0001, 0, 1.4])).toBeLessThan(0.001);
	});
	it('is what aiming says: angles, rates, accelerations and shortest time of 500 random passes, kept level or not', () => {
		const random = seededRandom(31);
		const between = (low: number, high: number) => low + random() * (high - low);
		const gentle = (share: number) => share ** 3 * (10 + share * (6 * share - 15));
		for (let round = 0; round < 500; round += 1) {
			const keptLevel = random() < 0.5;
			const [forward, up] = [between(-0.2, 0.4), between(-0.5, 0.2)];
			const arm = {
				noseM: [between(2, 5), 0] as const,
				tailM: [-1, 0] as const,
				lensM: [forward, up] as const,
				keptLevel
			};
			const along = {
				fromSwingRad: between(-1, 0),
				toSwingRad: between(0, 1),
				fromBoomRad: between(-0.5, 0.2),
				toBoomRad: between(0, 0.7),
				durationS: between(2, 8)
			};
			const subjectM: Vec3 = [between(6, 12), between(-4, 4), between(0, 3)];
			const found = run({ reach: arm, pass: along, subjectM });
			const mount = {
				kind: 'crane',
				pivotM: [0, 0, 1.4],
				headingRad: 0,
				armM: arm.noseM[0],
				noseToCentreM: [forward, up],
				keptLevel
			} as const;
			// The arm's own way once more, so that it can be asked between the samples.
			const aimed = (share: number) => {
				const way = gentle(share);
				const swingRad = along.fromSwingRad + (along.toSwingRad - along.fromSwingRad) * way;
				const boomRad = along.fromBoomRad + (along.toBoomRad - along.fromBoomRad) * way;
				const near = { panRad: found.samples[Math.round(share * 400)]!.panRad };
				return aimAxes({ mount, axes: { swingRad, boomRad }, subjectM, near });
			};
			const h = 5e-4;
			for (const k of [8, 57, 200, 333, 392]) {
				const sample = found.samples[k]!;
				const at = [-2, -1, 0, 1, 2].map((step) => aimed(k / 400 + step * h));
				for (const [angle, rate, accel] of [
					['panRad', 'panRadPerS', 'panRadPerS2'],
					['tiltRad', 'tiltRadPerS', 'tiltRadPerS2']
				] as const) {
					const [a, b, c, d, e] = at.map((each) => each[angle]) as [number, number, number, number, number];
					const step = h * along.durationS;
					expect(sample[angle]).toBeCloseTo(c, 9);
					// Five places: what is left of either is of the fourth order.
					expect(Math.abs((a - 8 * b + 8 * d - e) / (12 * step) - sample[rate])).toBeLessThan(1e-6);
					expect(Math.abs((-a + 16 * b - 30 * c + 16 * d - e) / (12 * step * step) - sample[accel])).toBeLessThan(1e-6);
				}
			}
			if (round % 10 > 0) continue;
			// In its shortest time it takes just what the head has.
			const honest = run({ reach: arm, subjectM, pass: { ...along, durationS: found.shortestS } });
			expect(honest.demand).toBeCloseTo(1, 6);
			expect(honest.shortestS).toBeCloseTo(found.shortestS, 6);
			const strays = (rate: number, start: number) =>
				Math.max(...found.samples.map(({ atS, panRad }) => Math.abs(panRad - start - rate * atS)));
			const { rateRadPerS, startRad } = found.steadyPan;
			for (const by of [1e-5, 1e-3])
				for (const [rate, start] of [
					[by, 0],
					[-by, 0],
					[0, by],
					[0, -by],
					[by, -by],
					[-by, by]
				] as const)
					expect(strays(rateRadPerS + rate, startRad + start)).toBeGreaterThanOrEqual(
						strays(rateRadPerS, startRad) - 1e-9
					);
		}
	});
	it.each([true, false])(
		'has finite figures straight under its subject and straight over it, kept level: %s',
		(keptLevel) => {
			const arm = { noseM: [3, 0] as const, tailM: [-1, 0] as const, lensM: [0, 0] as const, keptLevel };
			// The pass's middle is swing 0, boom 0: there the lens is at 3 m, on the height of the pivot.
			const over = { fromSwingRad: -0.4, toSwingRad: 0.4, fromBoomRad: 0, toBoomRad: 0, durationS: 4 };
			const still = { ...over, fromSwingRad: 0, toSwingRad: 0 };
			for (const pass of [over, still])
				for (const z of [0, 3]) {
					const { samples, ...rest } = run({ reach: arm, pass, subjectM: [3, 0, z] });
					const figures = [
						...samples.flatMap(({ lensM, ...each }) => [...lensM, ...Object.values(each)]),
						rest.demand,
						rest.shortestS
					];
					expect(figures.every(Number.isFinite)).toBe(true);
					expect(samples[200]!.tiltRad).toBeCloseTo(z === 0 ? -Math.PI / 2 : Math.PI / 2, 9);
				}
		}
	);
	it('rates are the slopes of the aim', () => {
		const { samples } = run();
		const [a, b, c] = [samples[149]!, samples[150]!, samples[151]!];
		expect(b.panRadPerS).toBeCloseTo((c.panRad - a.panRad) / (c.atS - a.atS), 4);
		expect(b.tiltRadPerS).toBeCloseTo((c.tiltRad - a.tiltRad) / (c.atS - a.atS), 4);
		expect(samples[0]!.panRadPerS).toBeCloseTo(0, 9);
	});
	it('a steady pan strays less than any other steady pan', () => {
		const { samples, steadyPan } = run();
		const strays = (rate: number, start: number) =>
			Math.max(...samples.map(({ atS, panRad }) => Math.abs(panRad - start - rate * atS)));
		const best = strays(steadyPan.rateRadPerS, steadyPan.startRad);
		for (const [rate, start] of [
			[0.01, 0],
			[-0.01, 0],
			[0, 0.01],
			[0, -0.01],
			[0.02, -0.03]
		] as const)
			expect(strays(steadyPan.rateRadPerS + rate, steadyPan.startRad + start)).toBeGreaterThanOrEqual(best);
		expect(Math.tan(best) * (0.035 / 0.036)).toBeCloseTo(steadyPan.worstErrorWidths, 6);
	});
	it('carries a level nose without turning it', () => {
		const at = (boomRad: number) => cranePose({ reach, pivotM: [0, 0, 1.4], swingRad: 0, boomRad });
		for (const boomRad of [-0.6, 0, 0.9]) {
			const { noseM, lensM } = at(boomRad);
			expect(lensM[0] - noseM[0]).toBeCloseTo(0.15, 12);
			expect(lensM[2] - noseM[2]).toBeCloseTo(-0.2, 12);
			expect(Math.hypot(noseM[0], noseM[2] - 1.4)).toBeCloseTo(3, 12);
		}
	});
	it('refuses what has no sense', () => {
		expect(() => run({ pass: { ...pass, durationS: 0 } })).toThrow('durationS');
		expect(() => run({ limits: { ...limits, tiltRadPerS: 0 } })).toThrow('limits.tiltRadPerS');
		expect(() => run({ focalM: -1 })).toThrow('focalM');
	});
});

describe('a pass with poses on the way', () => {
	const reach = { noseM: [2.5, 0] as const, tailM: [-1, 0] as const, lensM: [0, 0] as const, keptLevel: true };
	const straight = { fromSwingRad: -0.6, toSwingRad: 0.6, fromBoomRad: 0, toBoomRad: 0.3, durationS: 6 };
	const run = (pass: Parameters<typeof headPass>[0]['pass']) =>
		headPass({
			reach,
			pivotM: [0, 0, 1.4],
			pass,
			subjectM: [6, 0, 1.5],
			focalM: 0.035,
			sensorWidthM: 0.036,
			limits: { panRadPerS: 1, tiltRadPerS: 1, panRadPerS2: 2, tiltRadPerS2: 2 }
		});
	const over = { ...straight, via: [{ share: 0.4, swingRad: 0.1, boomRad: 0.7 }] };

	it('goes through them at their time, from rest to rest', () => {
		const { samples } = run(over);
		const [first, at, last] = [samples[0]!, samples[160]!, samples[400]!];
		expect(at.atS).toBeCloseTo(2.4, 9);
		expect([at.swingRad, at.boomRad]).toEqual([expect.closeTo(0.1, 9), expect.closeTo(0.7, 9)]);
		expect([first.swingRad, last.swingRad, last.boomRad]).toEqual([-0.6, 0.6, 0.3]);
		expect(Math.abs(first.panRadPerS)).toBeLessThan(0.01);
		expect(Math.abs(last.panRadPerS)).toBeLessThan(0.01);
	});
	it('asks for more of the head than going straight, and scales with time alike', () => {
		const [one, two] = [run(over), run({ ...over, durationS: 12 })];
		// Up over the top and down again: more to tilt than on the straight way.
		expect(one.peak.tiltRadPerS).toBeGreaterThan(run(straight).peak.tiltRadPerS);
		expect(two.peak.panRadPerS).toBeCloseTo(one.peak.panRadPerS / 2, 6);
		expect(two.shortestS).toBeCloseTo(one.shortestS, 6);
	});
	it('rates are those of the aim along the curve', () => {
		const { samples } = run(over);
		for (const index of [60, 200, 330]) {
			const [before, at, after] = [samples[index - 1]!, samples[index]!, samples[index + 1]!];
			const apart = after.atS - before.atS;
			expect((after.panRad - before.panRad) / apart).toBeCloseTo(at.panRadPerS, 3);
			expect((after.tiltRad - before.tiltRad) / apart).toBeCloseTo(at.tiltRadPerS, 3);
		}
	});
	it.each([
		['out of order', [0.6, 0.4], 'via[1].share'],
		['at the start', [0], 'via[0].share'],
		['past the end', [1.2], 'via[1].share']
	])('refuses them %s', (_, shares, field) => {
		const via = shares.map((share) => ({ share, swingRad: 0, boomRad: 0 }));
		expect(() => run({ ...straight, via })).toThrow(field);
	});
});

describe('a linkage past its dead point', () => {
	const evenly = (least: number, most: number) =>
		fc.integer({ min: 0, max: 100_000 }).map((k) => least + ((most - least) * k) / 100_000);
	const inRange = evenly(-1.5, 1.5);
	it('is level at every boom where it is an exact parallelogram, wherever its rear pivot stands', () =>
		fc.assert(
			fc.property(
				evenly(0.5, 8),
				evenly(0.05, 0.4),
				evenly(-Math.PI, Math.PI),
				fc.array(inRange, { minLength: 1, maxLength: 6 }),
				(armM, linkM, aboutRad, boomRad) => {
					const rearPivotM = [linkM * Math.cos(aboutRad), linkM * Math.sin(aboutRad)] as const;
					// With the arm level on its dead point the link could go either way.
					fc.pre(Math.abs(Math.sin(aboutRad)) > 0.02);
					const { tiltErrorRad } = levelLinkage({ armM, linkM, rearPivotM, rodM: armM, boomRad });
					for (const [k, error] of tiltErrorRad.entries()) {
						// On a dead point itself a rounding in the lengths is its root in the angle.
						const fromDead = Math.abs(Math.sin(boomRad[k]! - aboutRad));
						expect(Math.abs(error!)).toBeLessThan(fromDead < 1e-3 ? 1e-5 : 1e-9);
					}
				}
			)
		));
	it('goes on without a jump, as its rod and its pins do: nothing tilts faster than the lengths let it', () => {
		// A rear pivot ahead of the arm's, whose dead point lies within the range; and a rod that is not exact.
		const linkage = { armM: 2.6, linkM: 0.18, rearPivotM: [0.12, 0.1341640786] as const, rodM: 2.6 };
		const boomRad = Array.from({ length: 2001 }, (_, k) => -1.4 + k * 0.0014);
		const { tiltErrorRad } = levelLinkage({ ...linkage, boomRad });
		for (const error of tiltErrorRad) expect(Math.abs(error!)).toBeLessThan(1e-6);
	});
	it('closes its rod at every boom that it reaches', () =>
		fc.assert(
			fc.property(evenly(0.16, 0.2), evenly(-0.05, 0.05), evenly(2.55, 2.65), inRange, (up, along, rodM, boomRad) => {
				const linkage = { armM: 2.6, linkM: 0.18, rearPivotM: [along, up] as const, rodM };
				const level = (at: number) => {
					try {
						return levelLinkage({ ...linkage, boomRad: [at] }).tiltErrorRad[0]!;
					} catch {
						return null;
					}
				};
				const error = level(boomRad);
				fc.pre(error !== null);
				// The link's angle with the arm level closes the rod there; turned by the error, it does here.
				const pinOff = (at: number, linkRad: number) =>
					Math.hypot(
						2.6 * Math.cos(at) + 0.18 * Math.cos(linkRad) - along,
						2.6 * Math.sin(at) + 0.18 * Math.sin(linkRad) - up
					) - rodM;
				let [from, to] = [0, Math.PI];
				// The link stands up from the nose: one root between level ahead and level behind.
				fc.pre(pinOff(0, from) * pinOff(0, to) < 0);
				for (let k = 0; k < 80; k += 1) {
					const middle = (from + to) / 2;
					if (pinOff(0, from) * pinOff(0, middle) <= 0) to = middle;
					else from = middle;
				}
				expect(Math.abs(pinOff(boomRad, from + error!))).toBeLessThan(1e-9);
			})
		));
	it('has no angle beyond where it locks, though the rod would reach again further on', () => {
		// Too long a rod to pass the dead point.
		const long = { armM: 1, linkM: 0.3, rearPivotM: [0.05, 0.35] as const, rodM: 0.96 };
		const boomRad = Array.from({ length: 300 }, (_, k) => k * 0.01);
		const { tiltErrorRad } = levelLinkage({ ...long, boomRad });
		const locks = tiltErrorRad.indexOf(null);
		expect(locks).toBeGreaterThan(0);
		expect(tiltErrorRad.slice(locks).every((error) => error === null)).toBe(true);
	});
});
