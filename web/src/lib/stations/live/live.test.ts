import { aimAxes, cameraPose, type Vec3 } from '@poise/core';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { LivePlace } from '$lib/model/liveHead';
import type { LiveMove } from '$lib/model/liveMove';
import { turningOf } from './grip.svelte';
import { jogRates, lookPoint, noJog } from './jog';
import { legsOfMove, type Shape, slide } from './runs';
import { stillOf } from './still';
import { axesAt, focalOf, livePose, mountOf } from './stand';
import { controlOf, surfaceAxes } from './surface.svelte';

const place = (stands: LivePlace['stands'], more: Partial<LivePlace> = {}): LivePlace => ({
	...{ stands, atM: [4, 3, 2], headingRad: 0.4, looksRad: 1.2, armM: 2.6, ...more }
});

describe('where a head’s camera looks', () => {
	it('pan turns it to the left of where it stands, hung to the right; tilt up, hung down', () => {
		for (const [stands, sign] of [
			['stand', 1],
			['wall', 1],
			['ceiling', -1]
		] as const) {
			const [ahead, panned, tilted] = [{}, { panRad: 0.2 }, { tiltRad: 0.2 }].map((at) => livePose(place(stands), at));
			expect(panned!.headingRad - ahead!.headingRad).toBeCloseTo(0.2 * sign, 9);
			expect(tilted!.elevationRad - ahead!.elevationRad).toBeCloseTo(0.2 * sign, 9);
			expect(ahead!.rollRad).toBe(0);
		}
	});
	it('a rail carries it along its own heading and looks by another; an arm swings it round its pivot', () => {
		const rail = place('rail');
		const [from, to] = [livePose(rail, { trackM: 0 }), livePose(rail, { trackM: 1 })];
		expect(to.centreM[0] - from.centreM[0]).toBeCloseTo(Math.cos(0.4), 9);
		expect(to.headingRad).toBeCloseTo(1.2, 9);
		const arm = place('arm');
		expect(livePose(arm, { swingRad: 0.3 }).headingRad).toBeCloseTo(0.7, 9);
		expect(livePose(arm, { boomRad: 0.3 }).centreM[2]).toBeGreaterThan(livePose(arm, {}).centreM[2]);
	});
	it('the zoom’s ring goes from the short end to the long, its steps alike', () => {
		expect(focalOf([0.025, 0.1], 0)).toBe(0.025);
		expect(focalOf([0.025, 0.1], 1)).toBeCloseTo(0.1, 12);
		expect(focalOf([0.025, 0.1], 0.5)).toBeCloseTo(0.05, 12);
		expect(focalOf([0.025, 0.1], undefined)).toBe(0.025);
	});
});

describe('a camera that is carried', () => {
	const at = { swingRad: 0.2, boomRad: 0.1, panRad: 0.3, tiltRad: -0.1 };
	/** Where it is a moment later, by the rates it was given. */
	const after = (of: LivePlace, rates: Readonly<Record<string, number>>, from: Readonly<Record<string, number>> = at) =>
		livePose(
			of,
			Object.fromEntries(Object.entries(from).map(([axis, value]) => [axis, value + 0.01 * (rates[axis] ?? 0)]))
		);
	it('goes to the camera’s own right, up and in, and round what it looks at, and keeps looking there', () => {
		const arm = place('arm');
		const before = livePose(arm, at);
		const look = lookPoint(arm, at);
		const ways = {
			right: [Math.sin(before.headingRad), -Math.cos(before.headingRad)],
			forward: [Math.cos(before.headingRad), Math.sin(before.headingRad)]
		} as const;
		for (const way of ['right', 'forward'] as const) {
			// An arm’s nose is on a ball: what of the way lies on it is gone.
			const rates = jogRates(arm, at, { ...noJog, [way]: 0.3 }, true);
			const moved = after(arm, rates).centreM.map((value, k) => value - before.centreM[k]!);
			expect(moved[0]! * ways[way][0] + moved[1]! * ways[way][1]).toBeGreaterThan(0);
		}
		const up = jogRates(arm, at, { ...noJog, up: 0.3 }, true);
		expect(after(arm, up).centreM[2]).toBeGreaterThan(before.centreM[2]);
		for (const sign of [1, -1]) {
			const round = jogRates(arm, at, { ...noJog, orbit: 0.3 * sign }, true);
			const seen = after(arm, round);
			const angle = (c: Vec3) => Math.atan2(c[1] - look[1], c[0] - look[0]);
			expect(Math.sign(angle(seen.centreM) - angle(before.centreM))).toBe(sign);
			const mount = mountOf(arm);
			const now = Object.fromEntries(Object.entries(at).map(([axis, v]) => [axis, v + 0.01 * (round[axis] ?? 0)]));
			const wanted = aimAxes({ mount, axes: axesAt(now), subjectM: look });
			expect(Math.abs(wanted.panRad - now.panRad!)).toBeLessThan(1e-4);
			expect(Math.abs(wanted.tiltRad - now.tiltRad!)).toBeLessThan(1e-4);
		}
	});
	it('on a rail only the rail goes, on a stand nothing', () => {
		const rates = jogRates(place('rail'), { trackM: 1, panRad: 0, tiltRad: 0 }, { ...noJog, right: 0.3 }, false);
		expect(Object.keys(rates)).toEqual(['trackM']);
		// Looking by 1.2 rad along a rail that runs by 0.4, to the camera's right is along the rail.
		expect(rates.trackM!).toBeCloseTo(0.3 * Math.sin(1.2 - 0.4), 4);
		expect(jogRates(place('stand'), { panRad: 0, tiltRad: 0 }, { ...noJog, right: 0.3 }, true)).toEqual({});
	});
});

describe('a slider’s run', () => {
	const limits = { maxRate: 0.35, maxAccel: 0.4 };
	it('ends where it was sent by every shape, both ways, never turning back', () => {
		fc.assert(
			fc.property(
				fc.double({ min: 0.05, max: 2.3, noNaN: true }),
				fc.double({ min: 0.05, max: 2.3, noNaN: true }),
				fc.constantFrom<Shape>('even', 'build'),
				fc.option(fc.double({ min: 1, max: 60, noNaN: true }), { nil: null }),
				(from, to, shape, wantedS) => {
					const leg = slide(from, to, limits, shape, wantedS);
					if (leg === null) {
						expect(Math.abs(to - from)).toBeLessThan(1e-4);
						return;
					}
					if (leg.kind !== 'keyed') throw new Error('a soft one');
					const values = leg.keys.map((key) => key.values.trackM!);
					expect(values[0]).toBeCloseTo(from, 9);
					expect(values[values.length - 1]).toBeCloseTo(to, 9);
					for (let k = 1; k < values.length; k += 1)
						expect((values[k]! - values[k - 1]!) * Math.sign(to - from)).toBeGreaterThanOrEqual(-1e-9);
					const speeds = values.slice(1).map((value, k) => {
						return Math.abs(value - values[k]!) / (leg.keys[k + 1]!.tS - leg.keys[k]!.tS);
					});
					expect(Math.max(...speeds)).toBeLessThanOrEqual(limits.maxRate + 1e-9);
					const lastsS = leg.keys[leg.keys.length - 1]!.tS;
					if (wantedS !== null) expect(lastsS).toBeGreaterThan(Math.min(wantedS, lastsS) - 1e-6);
				}
			),
			{ endOnFailure: true }
		);
	});
	it('even is one speed but for its ramps, build gains until it brakes', () => {
		const speedsOf = (shape: Shape) => {
			const leg = slide(0, 2, limits, shape, 12);
			if (leg?.kind !== 'keyed') throw new Error('no way');
			return leg.keys.slice(1).map(({ tS, values }, k) => {
				return (values.trackM! - leg.keys[k]!.values.trackM!) / (tS - leg.keys[k]!.tS);
			});
		};
		const even = speedsOf('even').slice(6, -6);
		expect(Math.max(...even) - Math.min(...even)).toBeLessThan(1e-6);
		const build = speedsOf('build');
		const top = build.indexOf(Math.max(...build));
		expect(top).toBeGreaterThan(45);
		for (let k = 1; k <= top; k += 1) expect(build[k]!).toBeGreaterThan(build[k - 1]! - 1e-9);
	});
});

describe('a move played at the desk', () => {
	const move: LiveMove = {
		...{ id: 'm', name: 'move', venueId: null, durationS: 4 },
		keys: Array.from({ length: 41 }, (_, k) => ({ tS: k / 10, values: { panRad: k / 10, swingRad: 1, trackM: 0 } })),
		knots: [
			{ id: 'a', name: 'a', atS: 0, values: { panRad: 0 } },
			{ id: 'b', name: 'b', atS: 2, values: { panRad: 2, swingRad: 1, trackM: 0 } },
			{ id: 'c', name: 'c', atS: 4, values: { panRad: 4 } }
		]
	};
	const head = { ready: ['panRad', 'trackM'] };
	it('first goes to its start, with the axes the head has, then through it', () => {
		const [start, way] = legsOfMove(head, move, { backwards: false, toKnot: null });
		expect(start).toMatchObject({ kind: 'pose', to: { panRad: 0, trackM: 0 } });
		if (way?.kind !== 'keyed') throw new Error('no way');
		expect(way.keys).toHaveLength(41);
		expect(way.keys[40]).toEqual({ tS: 4, values: { panRad: 4, trackM: 0 } });
	});
	it('to a knot ends there, backwards begins there', () => {
		const [, way] = legsOfMove(head, move, { backwards: false, toKnot: 1 });
		if (way?.kind !== 'keyed') throw new Error('no way');
		expect(way.keys[way.keys.length - 1]).toEqual({ tS: 2, values: { panRad: 2, trackM: 0 } });
		const [start, back] = legsOfMove(head, move, { backwards: true, toKnot: 1 });
		expect(start).toMatchObject({ to: { panRad: 2 } });
		if (back?.kind !== 'keyed') throw new Error('no way');
		expect(back.keys[back.keys.length - 1]).toEqual({ tS: 2, values: { panRad: 0, trackM: 0 } });
		expect(legsOfMove({ ready: ['rollRad'] }, move, { backwards: false, toKnot: null })).toEqual([]);
	});
});

describe('the still drawing of a frame', () => {
	const plan = (pointsM: readonly (readonly [number, number])[]) =>
		({
			ceilingM: null,
			underlay: null,
			shapes: [{ id: 's', kind: 'obstacle', label: 'post', pointsM, bottomM: 0, topM: 2 }]
		}) as unknown as Parameters<typeof stillOf>[2];
	const settings = {
		place: place('stand', { atM: [0, 0, 1], headingRad: 0 }),
		camera: { focalM: [0.024, 0.12] as const, sensorWidthM: 0.036, sensorHeightM: 0.02 }
	};
	const xs = (path: string) => [...path.matchAll(/[ML]([\d.-]+) /g)].map(([, x]) => Number(x));
	const post = (x: number, y: number) =>
		plan([
			[x, y],
			[x + 0.2, y],
			[x + 0.2, y + 0.2]
		]);
	it('has what stands to the left of the way it looks on its left, and nothing of what is behind it', () => {
		const left = xs(stillOf(settings, {}, post(5, 1), 0.035));
		const right = xs(stillOf(settings, {}, post(5, -1.2), 0.035));
		expect(left.length).toBeGreaterThan(0);
		expect(Math.max(...left)).toBeLessThan(0.5);
		expect(Math.min(...right)).toBeGreaterThan(0.5);
		expect(stillOf(settings, {}, post(-5, 0), 0.035)).toBe('');
		// Panned to the left, what stood left comes to the middle and beyond.
		expect(Math.min(...xs(stillOf(settings, { panRad: 0.35 }, post(5, 1), 0.035)))).toBeGreaterThan(0.5);
		expect(stillOf(settings, {}, null, 0.035)).toBe('');
	});
});

describe('what steers', () => {
	it('a surface’s control steers from its middle to both sides and rests about it', () => {
		expect(controlOf([0xb0, 0, 127])).toEqual({ control: 0, at: 1 });
		expect(controlOf([0xb3, 1, 0])).toEqual({ control: 1, at: -1 });
		for (const value of [62, 64, 66]) expect(controlOf([0xb0, 0, value])!.at).toBe(0);
		expect(controlOf([0x90, 0, 127])).toBeNull();
		expect(controlOf([0xb0, 0])).toBeNull();
		expect(surfaceAxes.slice(0, 2)).toEqual(['panRad', 'tiltRad']);
	});
	it('a phone that turns about its upright pans, about its breadth tilts; one that feels nothing steers nothing', () => {
		const turning = turningOf({ alpha: 90, beta: 0, gamma: -45 })!;
		expect(turning.pitchRadPerS).toBeCloseTo(Math.PI / 2, 9);
		expect(turning.yawRadPerS).toBeCloseTo(-Math.PI / 4, 9);
		expect(turningOf({ alpha: null, beta: 0, gamma: 0 })).toBeNull();
		expect(turningOf({ alpha: NaN, beta: 0, gamma: 0 })).toBeNull();
	});
	it('the mount of every place is one the core takes', () => {
		for (const stands of ['stand', 'ceiling', 'wall', 'rail', 'arm'] as const)
			expect(Number.isFinite(cameraPose({ mount: mountOf(place(stands)), axes: axesAt({}) }).headingRad)).toBe(true);
	});
});
