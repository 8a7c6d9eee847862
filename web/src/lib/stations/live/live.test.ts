import { aimAxes, cameraPose, frameOf, type Vec3 } from '@poise/core';
import type { HeadSeen } from '@poise/desk/messages';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { LensAt } from '$lib/model/lensAt';
import { type LivePlace, liveStands } from '$lib/model/liveHead';
import type { LiveMove } from '$lib/model/liveMove';
import { jogRates, lookPoint, noJog } from './jog';
import { lookAt } from './reach';
import { legsOfMove, type Shape, slide } from './runs';
import { aheadOf, aimRates, columnsOf } from './phoneAim';
import { stillOf } from './still';
import { asPictured, axesAt, focalOf, livePose, mountOf, type Seen } from './stand';
import { controlOf, surfaceAxes } from './surface.svelte';

const place = (stands: LivePlace['stands'], more: Partial<LivePlace> = {}): LivePlace => ({
	...{ stands, atM: [4, 3, 2], headingRad: 0.4, looksRad: 1.2, armM: 2.6, ...more }
});
const seenOn = (on: LivePlace, lens: LensAt | null = null): Seen => ({ place: on, camera: { lens } });

describe('where a head’s camera looks', () => {
	it('pan turns it to the left of where it stands, hung to the right; tilt up, hung down', () => {
		for (const [stands, sign] of [
			['stand', 1],
			['wall', 1],
			['ceiling', -1]
		] as const) {
			const [ahead, panned, tilted] = [{}, { panRad: 0.2 }, { tiltRad: 0.2 }].map((at) =>
				livePose(seenOn(place(stands)), at)
			);
			expect(panned!.headingRad - ahead!.headingRad).toBeCloseTo(0.2 * sign, 9);
			expect(tilted!.elevationRad - ahead!.elevationRad).toBeCloseTo(0.2 * sign, 9);
			expect(ahead!.rollRad).toBe(0);
		}
	});
	it('a rail carries it along its own heading and looks by another; an arm swings it round its pivot', () => {
		const rail = seenOn(place('rail'));
		const [from, to] = [livePose(rail, { trackM: 0 }), livePose(rail, { trackM: 1 })];
		expect(to.centreM[0] - from.centreM[0]).toBeCloseTo(Math.cos(0.4), 9);
		expect(to.headingRad).toBeCloseTo(1.2, 9);
		const arm = seenOn(place('arm'));
		expect(livePose(arm, { swingRad: 0.3 }).headingRad).toBeCloseTo(0.7, 9);
		expect(livePose(arm, { boomRad: 0.3 }).centreM[2]).toBeGreaterThan(livePose(arm, {}).centreM[2]);
	});
	it('sees from where its lens is: up over its axes on a stand, below them under a ceiling', () => {
		const lens: LensAt = { atM: [0.06, 0, 0.07], from: 'measured' };
		for (const [stands, sign] of [
			['stand', 1],
			['ceiling', -1]
		] as const) {
			const { positionM, centreM } = livePose(seenOn(place(stands), lens), {});
			expect(positionM[2] - centreM[2]).toBeCloseTo(0.07 * sign, 9);
			expect(Math.hypot(positionM[0] - centreM[0], positionM[1] - centreM[1])).toBeCloseTo(0.06, 9);
		}
	});
	it('looks at a place so that it stands in the middle, whatever it stands on, wherever its lens is', () => {
		const head = { axes: { panRad: { range: [-9, 9] }, tiltRad: { range: [-2, 2] } } } as unknown as HeadSeen;
		const [across, up] = [
			fc.double({ min: -0.15, max: 0.15, noNaN: true }),
			fc.double({ min: -0.15, max: 0.15, noNaN: true })
		];
		const point = fc.tuple(
			fc.double({ min: -6, max: 6, noNaN: true }),
			fc.double({ min: 1, max: 6, noNaN: true }),
			fc.double({ min: 0, max: 1.5, noNaN: true })
		);
		fc.assert(
			fc.property(fc.constantFrom(...liveStands), across, up, point, (stands, left, high, [x, y, z]) => {
				const seen = seenOn(place(stands), { atM: [0.06, left, high], from: 'measured' });
				const at = { trackM: 0.2, swingRad: 0.1, boomRad: 0.1 };
				const pointM: Vec3 = [4 + x, 3 + y, z];
				const values = lookAt(seen, head, at, pointM);
				if (values === null) return;
				const pose = livePose(seen, { ...at, ...values });
				const frame = frameOf({ pose, pointM, focalM: 0.05, sensorWidthM: 0.036, sensorHeightM: 0.02 });
				expect(Math.hypot(frame.xWidths!, frame.yHeights!)).toBeLessThan(1e-6);
			})
		);
	});
	it('keeps looking at the same place from its lens while it is carried', () => {
		const arm = seenOn(place('arm'), { atM: [0.08, 0.03, 0.1], from: 'measured' });
		const at = { swingRad: 0.2, boomRad: 0.1, panRad: 0.3, tiltRad: -0.1 };
		const look = lookPoint(arm, at);
		const rates = jogRates(arm, at, { ...noJog, right: 0.3 }, true);
		const later = Object.fromEntries(Object.entries(at).map(([axis, v]) => [axis, v + 0.02 * (rates[axis] ?? 0)]));
		const pose = livePose(arm, later);
		const frame = frameOf({ pose, pointM: look, focalM: 0.05, sensorWidthM: 0.036, sensorHeightM: 0.02 });
		expect(Math.hypot(frame.xWidths!, frame.yHeights!)).toBeLessThan(1e-4);
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
	const after = (of: Seen, rates: Readonly<Record<string, number>>, from: Readonly<Record<string, number>> = at) =>
		livePose(
			of,
			Object.fromEntries(Object.entries(from).map(([axis, value]) => [axis, value + 0.01 * (rates[axis] ?? 0)]))
		);
	it('goes to the camera’s own right, up and in, and round what it looks at, and keeps looking there', () => {
		const arm = seenOn(place('arm'));
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
			const mount = mountOf(arm.place);
			const now = Object.fromEntries(Object.entries(at).map(([axis, v]) => [axis, v + 0.01 * (round[axis] ?? 0)]));
			const wanted = aimAxes({ mount, axes: axesAt(now), subjectM: look });
			expect(Math.abs(wanted.panRad - now.panRad!)).toBeLessThan(1e-4);
			expect(Math.abs(wanted.tiltRad - now.tiltRad!)).toBeLessThan(1e-4);
		}
	});
	it('on a rail only the rail goes, on a stand nothing', () => {
		const rates = jogRates(
			seenOn(place('rail')),
			{ trackM: 1, panRad: 0, tiltRad: 0 },
			{ ...noJog, right: 0.3 },
			false
		);
		expect(Object.keys(rates)).toEqual(['trackM']);
		// Looking by 1.2 rad along a rail that runs by 0.4, to the camera's right is along the rail.
		expect(rates.trackM!).toBeCloseTo(0.3 * Math.sin(1.2 - 0.4), 4);
		expect(jogRates(seenOn(place('stand')), { panRad: 0, tiltRad: 0 }, { ...noJog, right: 0.3 }, true)).toEqual({});
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
		expect(Math.max(...even) - Math.min(...even)).toBeLessThan(1e-5);
		const build = speedsOf('build');
		const top = build.indexOf(Math.max(...build));
		expect(top).toBeGreaterThan(45);
		for (let k = 1; k <= top; k += 1) expect(build[k]!).toBeGreaterThan(build[k - 1]! - 1e-9);
	});
});

describe('a move played at the desk', () => {
	const move: LiveMove = {
		...{ id: 'm', name: 'move', venueId: null, durationS: 4 },
		stand: { kind: 'rail', atM: [0, 0, 1], headingRad: 0, hung: false, armM: null },
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
	describe('a phone held like a grip', () => {
		type M = readonly (readonly number[])[];
		const times = (one: M, two: M): M =>
			one.map((row) => two[0]!.map((_, k) => row.reduce((sum, each, j) => sum + each * two[j]![k]!, 0)));
		/** A turn about an axis of the room, by Rodrigues: nothing of the code under test. */
		const turn = ([x, y, z]: Vec3, by: number): M => {
			const [c, s] = [Math.cos(by), Math.sin(by)];
			const v = 1 - c;
			return [
				[c + x * x * v, x * y * v - z * s, x * z * v + y * s],
				[y * x * v + z * s, c + y * y * v, y * z * v - x * s],
				[z * x * v - y * s, z * y * v + x * s, c + z * z * v]
			];
		};
		/** What the device says of itself, from its rotation: R = Rz(alpha) Rx(beta) Ry(gamma). */
		const said = (r: M) => {
			const deg = (rad: number) => (rad * 180) / Math.PI;
			return {
				alpha: deg(Math.atan2(-r[0]![1]!, r[1]![1]!)),
				beta: deg(Math.asin(Math.max(-1, Math.min(1, r[2]![1]!)))),
				gamma: deg(Math.atan2(-r[2]![0]!, r[2]![2]!))
			};
		};
		const flat: M = [
			[1, 0, 0],
			[0, 1, 0],
			[0, 0, 1]
		];
		// The screen towards whoever holds it, who looks north (y of the room).
		const upright = turn([1, 0, 0], Math.PI / 2);
		const held: Readonly<Record<string, readonly [M, number]>> = {
			upright: [upright, 0],
			'upside down': [times(turn([0, 1, 0], Math.PI), upright), 180],
			'on its left side': [times(turn([0, 1, 0], Math.PI / 2), upright), 90],
			'on its right side': [times(turn([0, 1, 0], -Math.PI / 2), upright), 270],
			'leant back': [times(turn([1, 0, 0], -0.6), upright), 0],
			'flat on the palm': [flat, 0],
			'flat, turned across': [turn([0, 0, 1], -Math.PI / 2), 270]
		};
		it.each(Object.keys(held))(
			'%s: to the left pans left, up tilts up, and turning about its own aim does nothing',
			(way) => {
				const [begun, screenDeg] = held[way]!;
				// Ahead is north for all of them but those leant: what a turn in the room is, is the same however it is held.
				for (const heading of [0, 1.3, -2.4]) {
					const start = times(turn([0, 0, 1], heading), begun);
					const first = columnsOf(said(start))!;
					const ahead = aheadOf(first, screenDeg);
					const after = (by: M) => aimRates(first, columnsOf(said(times(by, start)))!, ahead, 0.02)!;
					const left = after(turn([0, 0, 1], 0.01));
					// Of two looks told to a rounding of 1e-8 a turn over 20 ms is known to 1e-6.
					expect(left.panRadPerS).toBeCloseTo(0.5, 5);
					expect(left.tiltRadPerS).toBeCloseTo(0, 5);
					const across: Vec3 = [Math.cos(heading), Math.sin(heading), 0];
					const up = after(turn(across, 0.01));
					expect(up.tiltRadPerS).toBeCloseTo(0.5, 5);
					expect(up.panRadPerS).toBeCloseTo(0, 5);
					const aim = [0, 1, 2].map((k) => first.reduce((sum, column, j) => sum + ahead[j]! * column[k]!, 0));
					const rolled = after(turn(aim as unknown as Vec3, 0.01));
					expect(Math.abs(rolled.panRadPerS) + Math.abs(rolled.tiltRadPerS)).toBeLessThan(1e-5);
				}
			}
		);
		it('turned to the left and up, the picture goes to the left and up: on a stand, hung, on a wall', () => {
			const first = columnsOf(said(upright))!;
			const rates = aimRates(first, columnsOf(said(times(turn([0, 0, 1], 0.01), upright)))!, [0, 0, -1], 0.02)!;
			for (const stands of ['stand', 'ceiling', 'wall'] as const) {
				const sign = asPictured({ stands });
				const [ahead, after] = [0, 0.1].map((overS) =>
					livePose(seenOn(place(stands)), { panRad: sign * rates.panRadPerS * overS, tiltRad: sign * 0.2 * overS })
				);
				expect(after!.headingRad).toBeGreaterThan(ahead!.headingRad + 0.04);
				expect(after!.elevationRad).toBeGreaterThan(ahead!.elevationRad + 0.015);
			}
		});
		it('one that feels nothing, or is silent too long, turns nothing', () => {
			expect(columnsOf({ alpha: null, beta: 0, gamma: 0 })).toBeNull();
			expect(columnsOf({ alpha: NaN, beta: 0, gamma: 0 })).toBeNull();
			const columns = columnsOf({ alpha: 10, beta: 80, gamma: 0 })!;
			for (const overS of [0, 0.3, -0.02, NaN]) expect(aimRates(columns, columns, [0, 0, -1], overS)).toBeNull();
		});
	});
	it('the mount of every place is one the core takes', () => {
		for (const stands of ['stand', 'ceiling', 'wall', 'rail', 'arm'] as const)
			expect(Number.isFinite(cameraPose({ mount: mountOf(place(stands)), axes: axesAt({}) }).headingRad)).toBe(true);
	});
});
