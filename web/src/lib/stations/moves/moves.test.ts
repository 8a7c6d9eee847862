import { fitDurations, frameOf } from '@poise/core';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { figuresOf, lensUnsureIn, readMove } from './figures';
import { carriedTo, wayOf } from './carry';
import { madePossible, madePossibleByLegs } from './possible';
import { extended, insertedAfter, lastingFor, movedInTime, putAt, restedAt, stretched, without } from './knots';
import { type Move, tempos } from './model';
import { fromPattern } from './fromPattern';
import { movePatterns } from './patterns';
import { poseOf, type Run, runOf, runs, sample, valuesAt } from './path';

const made = (id: string): Move =>
	fromPattern(
		movePatterns.find((each) => each.id === id)!,
		'A move',
		null,
		null
	);
const run = (move: Move): Run => {
	const found = runOf(move);
	if (!runs(found)) throw new Error(found.words);
	return found;
};
const lens = { sensorWidthM: 0.036, sensorHeightM: 0.02025 };

describe('every pattern', () => {
	it.each(movePatterns.map(({ id }) => id))('%s runs, and sees its subject or turns past it', (id) => {
		const move = made(id);
		const { figures, problem } = readMove(move);
		expect(problem).toBeNull();
		expect(figures!.beyond).toEqual([]);
		expect(figures!.insideLensAtS).toBeNull();
		// In the middle of the way the subject is in the picture.
		const middle = valuesAt(sample(figures!.run, [(figures!.run.startS + figures!.run.endS) / 2]), 0);
		const seen = frameOf({ pose: poseOf(move, middle), pointM: move.subject.atM, focalM: middle.focalM, ...lens });
		expect(seen.inFrame).toBe(true);
	});
});

describe('a head that holds the subject', () => {
	it.each([null, { atM: [0.06, -0.02, 0.07], from: 'measured' }] as const)(
		'has it in the middle of the picture all the way, whatever carries it, wherever its lens is: %o',
		(at) => {
			for (const id of ['slider', 'incline', 'upright', 'under', 'dolly', 'crane', 'telescopic', 'walk']) {
				const bare = made(id);
				const move: Move = { ...bare, camera: { ...bare.camera, lens: at } };
				const way = run(move);
				const atS = Array.from({ length: 101 }, (_, k) => way.startS + (k / 100) * (way.endS - way.startS));
				const sampled = sample(way, atS);
				atS.forEach((_, k) => {
					const values = valuesAt(sampled, k);
					const pose = poseOf(move, values);
					const seen = frameOf({ pose, pointM: move.subject.atM, focalM: values.focalM, ...lens });
					// The spline through the points it is told at leaves less than a five-hundredth of the frame.
					expect(Math.hypot(seen.xWidths!, seen.yHeights!), `${id} ${k}`).toBeLessThan(0.002);
					expect(
						Math.abs(values.focusM - Math.hypot(...pose.positionM.map((v, a) => v - move.subject.atM[a]!)))
					).toBeLessThan(0.005);
				});
			}
		}
	);
	it('reckoned without where its lens is, a near subject stands low in the picture and out of focus by what is ahead', () => {
		const bare = made('tripod');
		if (bare.support.kind !== 'fixed') throw new Error('The pattern stands still.');
		const [x, y, z] = bare.support.atM;
		const near: Move = { ...bare, aim: 'subject', focus: 'subject', subject: { ...bare.subject, atM: [x + 1, y, z] } };
		const off: Move = { ...near, camera: { ...near.camera, lens: { atM: [0.06, 0, 0.07], from: 'measured' } } };
		const aimed = (by: Move) => valuesAt(sample(run(by), [1]), 0);
		const seenWith = (values: ReturnType<typeof aimed>) =>
			frameOf({ pose: poseOf(off, values), pointM: near.subject.atM, focalM: values.focalM, ...lens });
		const [blind, knows] = [aimed(near), aimed(off)];
		expect(seenWith(blind).yHeights!).toBeLessThan(-0.05);
		expect(Math.abs(seenWith(knows).yHeights!)).toBeLessThan(0.002);
		expect(Math.abs(seenWith(knows).xWidths!)).toBeLessThan(0.002);
		expect(blind.focusM - knows.focusM).toBeCloseTo(0.06, 2);
		expect(lensUnsureIn(near, readMove(near).figures!)).toBeCloseTo((0.06 * blind.focalM) / 0.036, 2);
		expect(lensUnsureIn(off, readMove(off).figures!)).toBeNull();
		// Nothing is aimed by it: nothing is said.
		const free: Move = { ...near, aim: 'knots', focus: 'knots' };
		expect(lensUnsureIn(free, readMove(free).figures!)).toBeNull();
	});
	it('hung upside down, a lens that stands up over its axes hangs below them, and the picture stands upright', () => {
		const bare = made('ceiling');
		const move: Move = { ...bare, camera: { ...bare.camera, lens: { atM: [0, 0, 0.07], from: 'measured' } } };
		const values = { ...move.knots[0]!.values, panRad: 0, tiltRad: 0 };
		const pose = poseOf(move, values);
		expect(pose.positionM[2] - pose.centreM[2]).toBeCloseTo(-0.07, 9);
		expect(pose.rollRad).toBeCloseTo(0, 9);
	});

	it('keeps it as far off the middle as a knot says', () => {
		const move = made('slider');
		const knots = move.knots.map((knot) => ({ ...knot, off: { ...knot.off, panRad: 0.1 } }));
		const values = valuesAt(sample(run({ ...move, knots }), [4]), 0);
		const seen = frameOf({ pose: poseOf(move, values), pointM: move.subject.atM, focalM: values.focalM, ...lens });
		// Panned to the left of it: it stands to the right.
		expect(seen.xWidths!).toBeCloseTo((Math.tan(0.1) * 0.05) / 0.036, 2);
	});
});

describe('knots', () => {
	it('one put between lies on the path that was there, and the path hardly changes', () => {
		const move = made('crane');
		const before = run(move);
		const put = putAt(move, before, 3.3)!;
		expect(put.move.knots.map(({ name }) => name)).toEqual(['low', 'second', 'high']);
		const [old, now] = [before, run(put.move)].map((each) => valuesAt(sample(each, [3.3]), 0));
		expect(now!.swingRad).toBeCloseTo(old!.swingRad!, 9);
		expect(now!.boomRad).toBeCloseTo(old!.boomRad!, 9);
	});
	it('a new one has a name of its own, by its place', () => {
		let move = made('crane');
		for (const tS of [3, 5, 1, 4, 2]) move = putAt(move, run(move), tS)!.move;
		move = extended(extended(move, 'end', 2)!.move, 'end', 2)!.move;
		move = extended(extended(move, 'start', 2)!.move, 'start', 2)!.move;
		const names = move.knots.map(({ name }) => name);
		expect(new Set(names).size).toBe(names.length);
		expect(names).not.toContain('via');
		expect(names).toEqual(expect.arrayContaining(['start', 'second', 'third', 'end']));
	});
	it('none is put onto another, and none comes before the one before it', () => {
		const move = made('slider');
		expect(putAt(move, run(move), 0.05)).toBeNull();
		expect(putAt(move, run(move), 8)).toBeNull();
		expect(movedInTime(move, 'k2', -5).knots[1]!.tS).toBeCloseTo(0.1, 9);
		expect(insertedAfter(move, run(move), 'k2')).toBeNull();
	});
	it('a rest pushes what comes after it, and the path stands still through it', () => {
		const three = insertedAfter(made('slider'), run(made('slider')), 'k1')!;
		const rested = restedAt(three.move, three.id, 2);
		expect(rested.knots.map(({ tS }) => tS)).toEqual([0, 4, 10]);
		const { rates } = sample(run(rested), [4, 5, 6]);
		for (const axis of ['trackM', 'panRad', 'tiltRad'] as const)
			for (const rate of rates[axis]!) expect(Math.abs(rate), axis).toBeLessThan(1e-6);
	});
	it('extended at both ends keeps what was between them', () => {
		const move = made('crane');
		const longer = extended(extended(move, 'start', 3)!.move, 'end', 2)!.move;
		expect(longer.knots.map(({ tS }) => tS)).toEqual([0, 3, 12, 14]);
		expect(longer.knots.map(({ id }) => id)).toHaveLength(new Set(longer.knots.map(({ id }) => id)).size);
		expect(without(without(longer, longer.knots[0]!.id), longer.knots[3]!.id).knots.map(({ name }) => name)).toEqual([
			'low',
			'high'
		]);
	});
	it('lasts as long as asked, rests as they are', () => {
		fc.assert(
			fc.property(fc.double({ min: 4, max: 60, noNaN: true }), (wanted) => {
				const three = insertedAfter(made('slider'), run(made('slider')), 'k1')!;
				const move = lastingFor(restedAt(three.move, three.id, 2), wanted);
				expect(move.knots[2]!.tS + move.knots[2]!.dwellS - move.knots[0]!.tS).toBeCloseTo(wanted, 6);
				expect(move.knots[1]!.dwellS).toBe(2);
			})
		);
	});
});

describe('a rest at the end', () => {
	it('is of the move: it lasts until it is over, and stands still in it', () => {
		const bare = made('slider');
		const last = bare.knots.at(-1)!;
		const move = restedAt(bare, last.id, 3);
		const way = run(move);
		expect(way.endS).toBeCloseTo(last.tS + 3, 9);
		const [arrived, over] = [last.tS, way.endS].map((atS) => valuesAt(sample(way, [atS]), 0));
		expect(over!.trackM).toBeCloseTo(arrived!.trackM!, 9);
		expect(sample(way, [last.tS + 1.5]).rates.trackM![0]).toBeCloseTo(0, 9);
	});
});

describe('limits', () => {
	it('made possible it keeps them all, and not a hair longer than it must', () => {
		for (const id of ['slider', 'crane', 'telescopic', 'dolly']) {
			const quick = stretched(made(id), 0.1);
			const before = figuresOf(quick, run(quick));
			expect(before.scale, id).toBeGreaterThan(1);
			for (const mended of [madePossible(quick, before), madePossibleByLegs(quick)!]) {
				const { figures } = readMove(mended);
				expect(figures!.scale, id).toBeLessThanOrEqual(1.000001);
				expect(figures!.scale, id).toBeGreaterThan(0.9);
				for (const { share } of figures!.bands) if (share !== null) expect(share).toBeLessThanOrEqual(1.0001);
			}
			// The rests apart it lasts so many times as long.
			expect(readMove(madePossible(quick, before)).figures!.lastsS).toBeCloseTo(before.shortestS!, 3);
		}
	});
	it('only the leg that fails is made longer', () => {
		const three = putAt(made('slider'), run(made('slider')), 1)!.move;
		const far = {
			...three,
			knots: three.knots.map((knot, k) => (k === 1 ? { ...knot, values: { ...knot.values, trackM: 0.9 } } : knot))
		};
		const mended = madePossibleByLegs(far)!;
		expect(mended.knots[1]!.tS).toBeGreaterThan(2);
		expect(mended.knots[2]!.tS - mended.knots[1]!.tS).toBeCloseTo(7, 6);
	});
	const runs1 = (tempo: Move['tempo'], dwellS = 0): Move => {
		const bare = made('slider');
		const [one, two] = [bare.knots[0]!, bare.knots[1]!];
		const at = (trackM: number) => ({ ...one.values, trackM });
		const knots = [
			{ ...one, tS: 0, values: at(0) },
			{ ...two, tS: 6, dwellS, values: at(1.2) }
		];
		const back = dwellS === 0 ? [] : [{ ...one, id: 'k3', tS: 12 + dwellS, values: at(0) }];
		return { ...bare, tempo, rampInS: 1, rampOutS: 1, knots: [...knots, ...back] };
	};
	// 1.2 m in 6 s, of speed and of what it gains: the closed forms.
	it.each([
		['even', 0.2, 0],
		['smooth', 0.3, 0.2],
		['soft', 0.375, (10 / Math.sqrt(3)) * (1.2 / 36)],
		['build', 0.4, 0.4 / 6],
		['ramps', 0.24, 0.24]
	] as const)(
		'the shape of the speed is how it starts and ends: %s peaks at its closed form, %d m/s',
		(tempo, top, gains) => {
			for (const dwellS of [0, 2]) {
				const { rate, accel } = run(runs1(tempo, dwellS)).peaks.trackM!;
				expect(rate).toBeCloseTo(top, 9);
				// Cubic pieces of a quintic: its third derivative is theirs but for a thousandth.
				if (tempo === 'soft') expect(accel / gains).toBeCloseTo(1, 2);
				else expect(accel).toBeCloseTo(gains, 9);
			}
		}
	);
	it.each([
		['even', 0.2, 0.2],
		['smooth', 0, 0],
		['soft', 0, 0],
		['build', 0, 0.4],
		['ramps', 0, 0]
	] as const)(
		'%s starts with %d m/s and ends with %d m/s, before a rest as at the end, and rests in it',
		(tempo, starts, stops) => {
			const { rates } = sample(run(runs1(tempo, 2)), [0, 6 - 1e-9, 7, 8 + 1e-9, 14 - 1e-9]);
			const told = [starts, stops, 0, -starts, -stops];
			rates.trackM!.forEach((rate, k) => expect(rate, `${k}`).toBeCloseTo(told[k]!, 6));
		}
	);
	it('passes every knot at its own time, whatever the tempo', () => {
		const three = putAt(made('crane'), run(made('crane')), 2.5)!.move;
		const bent = {
			...three,
			knots: three.knots.map((knot, k) => (k === 1 ? { ...knot, values: { ...knot.values, boomRad: 0.4 } } : knot))
		};
		for (const tempo of tempos) {
			const way = run({ ...bent, tempo, rampInS: 2, rampOutS: 2 });
			for (const { tS, values } of bent.knots) {
				const at = valuesAt(sample(way, [tS]), 0);
				// A told instant is never further from a knot than a 32nd of its leg.
				for (const axis of ['swingRad', 'boomRad'] as const)
					expect(at[axis], `${tempo} ${tS}`).toBeCloseTo(values[axis]!, 3);
			}
		}
	});
	it('one put on it by any tempo leaves the way as it was', () => {
		for (const tempo of tempos) {
			const move: Move = { ...made('crane'), tempo };
			const put = putAt(move, run(move), 3.3)!;
			for (const tS of [1, 3.3, 6, 8])
				expect(valuesAt(sample(run(put.move), [tS]), 0).swingRad, `${tempo} ${tS}`).toBeCloseTo(
					valuesAt(sample(run(move), [tS]), 0).swingRad!,
					1
				);
		}
	});
	it('two knots alike in a row are a rest: still between them, nothing past its end', () => {
		const move = made('slider');
		for (const tempo of ['smooth', 'soft', 'even', 'build', 'ramps'] as const) {
			const longer = { ...extended(extended(move, 'start', 3)!.move, 'end', 2)!.move, tempo };
			const { figures } = readMove(longer);
			expect(figures!.beyond, tempo).toEqual([]);
			const { values, rates } = sample(figures!.run, [0, 1, 2.9, 11.1, 12, 13]);
			const ends = [longer.knots[0]!, longer.knots[3]!].map((knot) => knot.values.trackM!);
			values.trackM!.forEach((at, k) => expect(at).toBeCloseTo(ends[k < 3 ? 0 : 1]!, 9));
			for (const rate of rates.panRad!.slice(0, 3)) expect(rate).toBeCloseTo(0, 9);
		}
	});
	it('a carriage that stands alike at two knots stays there while the head turns', () => {
		const move = { ...made('slider'), aim: 'knots' as const };
		const longer = extended(move, 'end', 2)!.move;
		const turned = {
			...longer,
			knots: longer.knots.map((knot, k) => (k === 2 ? { ...knot, values: { ...knot.values, panRad: 0.5 } } : knot))
		};
		const { values } = sample(run(turned), [8.5, 9, 9.5, 10]);
		for (const at of values.trackM!) expect(at).toBeCloseTo(longer.knots[2]!.values.trackM!, 9);
		expect(values.panRad![3]).toBeCloseTo(0.5, 9);
	});
	it('a speed that is there at once asks its run-up: v / a long, v² / 2a far', () => {
		// 0.2 m/s at 0.4 m/s²: half a second, 50 mm. A build ends with twice that.
		const of = (tempo: Move['tempo']) => {
			const move = { ...runs1(tempo), head: { ...made('slider').head, kind: 'ball' as const } };
			return readMove(move).figures!.runUp;
		};
		expect(of('even')).toMatchObject({ axis: 'trackM', lastsS: expect.closeTo(0.5, 6), way: expect.closeTo(0.05, 6) });
		expect(of('build')).toMatchObject({ lastsS: expect.closeTo(1, 5), way: expect.closeTo(0.2, 5) });
		for (const tempo of ['smooth', 'soft', 'ramps'] as const) expect(of(tempo)).toBeNull();
		expect(
			readMove({ ...runs1('ramps'), head: { ...made('slider').head, kind: 'ball' }, rampInS: 0 }).figures!.runUp
		).not.toBeNull();
	});
	it('what binds is what is nearest its limit', () => {
		const quick = stretched(made('slider'), 0.2);
		const { binding, bands, run: way } = figuresOf(quick, run(quick));
		expect(binding!.share).toBe(Math.max(...bands.map(({ share }) => share ?? 0)));
		const { bindingAxis } = fitDurations({ ...way.moves[0]!, limits: { trackM: { maxRate: 0.25, maxAccel: 0.4 } } });
		expect(bindingAxis).toBe('trackM');
	});
});

describe('the hand on the camera', () => {
	it('a crane goes where its arm reaches, and says why not', () => {
		const move = made('crane');
		const there = poseOf(move, { ...move.knots[0]!.values, swingRad: 0.3, boomRad: 0.2 }).centreM;
		const { move: moved, reached } = carriedTo(move, 'k1', there);
		expect(reached.missM).toBeLessThan(1e-6);
		expect(moved.knots[0]!.values.swingRad).toBeCloseTo(0.3, 9);
		expect(moved.knots[0]!.values.boomRad).toBeCloseTo(0.2, 9);
		const far = carriedTo(move, 'k1', [there[0] * 3, there[1] * 3, 1]).reached;
		expect(far.missM).toBeGreaterThan(1);
		expect(far.why).toMatch(/short/);
		expect(carriedTo(move, 'k1', [4, 1, 30]).reached.why).toMatch(/boom|short/);
	});
	it('a carriage stops at the rail’s end and says so', () => {
		const move = made('slider');
		const { move: moved, reached } = carriedTo(move, 'k2', [99, 3, 1.1]);
		expect(moved.knots[1]!.values.trackM).toBe(1.12);
		expect(reached.why).toMatch(/ends before/);
		expect(carriedTo(move, 'k2', [8.5, 9, 1.1]).reached.why).toMatch(/off the rail/);
	});
	it('orbits to the right about the subject, pushes towards it and never into it, trucks to the right, lifts', () => {
		const move = made('walk');
		const values = move.knots[0]!.values;
		const { centreM } = poseOf(move, values);
		const far = (a: readonly number[]) => Math.hypot(...a.map((v, k) => v - move.subject.atM[k]!));
		const orbited = wayOf(move, values, 'orbit', 0.5, 0);
		expect(Math.hypot(orbited[0] - move.subject.atM[0], orbited[1] - move.subject.atM[1])).toBeCloseTo(
			Math.hypot(centreM[0] - move.subject.atM[0], centreM[1] - move.subject.atM[1]),
			9
		);
		const pose = poseOf(move, values);
		/** To the right of the camera, as it looks. */
		const rightOf = (to: readonly number[]) =>
			(to[0]! - centreM[0]) * Math.sin(pose.headingRad) - (to[1]! - centreM[1]) * Math.cos(pose.headingRad);
		expect(rightOf(orbited)).toBeGreaterThan(0.3);
		expect(rightOf(wayOf(move, values, 'truck', 0.4, 0))).toBeCloseTo(0.4, 6);
		expect(far(wayOf(move, values, 'push', 0, 0.5))).toBeCloseTo(far(centreM) - 0.5, 9);
		expect(far(wayOf(move, values, 'push', 0, 500))).toBeCloseTo(0.2, 9);
		expect(wayOf(move, values, 'lift', 0, 0.3)[2]).toBeCloseTo(centreM[2] + 0.3, 9);
	});
});

describe('bad knots', () => {
	it('two at one time are said, nothing is reckoned', () => {
		const move = made('slider');
		const same = { ...move, knots: move.knots.map((knot) => ({ ...knot, tS: 0 })) };
		const { figures, problem } = readMove(same);
		expect(figures).toBeNull();
		expect(problem).toMatchObject({ knotId: 'k2' });
	});
	it('a subject inside the lens is said', () => {
		const move = made('slider');
		const at = poseOf(move, move.knots[0]!.values).centreM;
		const { figures } = readMove({ ...move, subject: { ...move.subject, atM: [at[0], at[1] + 0.05, at[2]] } });
		expect(figures!.insideLensAtS).toBe(0);
	});
});

describe('a pan bar', () => {
	const barred = (id: string, change: object = {}): Move => {
		const move = made(id);
		return {
			...move,
			support: { ...move.support, ...change } as Move['support'],
			head: { ...move.head, kind: 'bar', bar: { ...move.head.bar, distanceM: 1.6 } }
		};
	};
	const off = (move: Move, share: number): number => {
		const way = run(move);
		const values = valuesAt(sample(way, [way.startS + share * (way.endS - way.startS)]), 0);
		const pose = poseOf(move, values);
		const { support } = move;
		if (support.kind !== 'rail') throw new Error('no rail');
		const seen = frameOf({ pose, pointM: move.subject.atM, focalM: values.focalM, ...lens });
		return Math.abs(support.inclineRad) > 1 ? seen.yHeights! : seen.xWidths!;
	};
	it.each(['bar', 'under'])('turns the camera so that the subject stays, best at the ends: %s', (id) => {
		const move = barred(id);
		if (move.support.kind !== 'rail') throw new Error('no rail');
		// The subject square off the rail's middle.
		const [x, y] = move.support.startM;
		const held = { ...move, subject: { ...move.subject, atM: [x + 0.6, y + 1.6, move.support.startM[2]] as const } };
		const level = { ...held, knots: held.knots.map((knot) => ({ ...knot, values: { ...knot.values, tiltRad: 0 } })) };
		expect(Math.abs(off(level, 0))).toBeLessThan(0.003);
		expect(Math.abs(off(level, 1))).toBeLessThan(0.003);
		for (const share of [0.1, 0.3, 0.5, 0.7, 0.9]) expect(Math.abs(off(level, share))).toBeLessThan(0.03);
	});
	it('beside a rail on end it tilts the camera down as it rises, and not the other way', () => {
		const move = barred('upright');
		const { values } = sample(run(move), [0, 5, 10]);
		expect(values.tiltRad![0]!).toBeGreaterThan(0.1);
		expect(values.tiltRad![1]!).toBeCloseTo(0, 2);
		expect(values.tiltRad![2]!).toBeLessThan(-0.1);
		expect(values.panRad![2]!).toBe(values.panRad![0]!);
	});
	it('sweeping outwards turns the other way', () => {
		const move = barred('bar');
		const sweeping: Move = { ...move, head: { ...move.head, bar: { ...move.head.bar, setting: 'sweeping' } } };
		const [held, swept] = [move, sweeping].map((each) => sample(run(each), [0, 8]).values.panRad!);
		expect(Math.sign(held![1]! - held![0]!)).toBe(-Math.sign(swept![1]! - swept![0]!));
	});
});
