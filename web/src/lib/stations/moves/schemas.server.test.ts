import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Carrying } from '$lib/model/carrying';
import { readMove } from './figures';
import { carriedTo } from './carry';
import { standingOn, standingOnPattern, withPayload } from './gear';
import { extended, insertedAfter, lastingFor, movedInTime, putAt, restedAt, without } from './knots';
import { runOf, runs } from './path';
import { behaves } from './supports';
import type { Move } from './model';
import { headPatterns } from './headPatterns';
import { fromPattern } from './fromPattern';
import { movePatterns } from './patterns';
import { headDraft } from '$lib/server/schemas/head';
import { moveAs } from './rows.server';
import { fromStore, toStore } from '$lib/server/stored';
import { moveDraft } from './schemas.server';

const wrongWith = (move: unknown) => moveDraft.validate(move, { abortEarly: false }).error?.message ?? null;
const slider = fromPattern(movePatterns[0]!, 'A move', null, null);

describe('a move that was stored before its speed’s shape said how it starts and ends', () => {
	const stored = (tempo: string, ends: string) => ({ ...JSON.parse(JSON.stringify(slider)), tempo, ends }) as object;
	it.each([
		['even', 'still', 'smooth'],
		['even', 'natural', 'even'],
		['soft', 'still', 'soft'],
		['build', 'natural', 'build'],
		['ramps', 'still', 'ramps']
	])('%s with %s ends is %s, and everything else as it was', (tempo, ends, now) => {
		const read = fromStore(moveAs, { shape: 1, ...stored(tempo, ends) });
		expect(read).toEqual({ ...slider, tempo: now });
		expect(fromStore(moveAs, toStore(moveAs, read))).toEqual(read);
	});
	it('a change that a browser has kept since then is taken, not lost', () => {
		const { value, error } = moveDraft.validate(stored('even', 'still'));
		expect(error).toBeUndefined();
		expect(value).not.toHaveProperty('ends');
	});
});

describe('what the server takes of a move', () => {
	it.each(movePatterns.map((pattern) => [pattern.id, pattern] as const))('%s, as it is made', (_, pattern) => {
		expect(wrongWith(fromPattern(pattern, 'A move', null, null))).toBeNull();
	});
	it.each(headPatterns.map((pattern) => [pattern.id, pattern] as const))('the head %s', (_, { name, head }) => {
		expect(headDraft.validate({ name, head }).error).toBeUndefined();
	});

	it('refuses what is no figure, what is beyond its end, and what is of another support', () => {
		const bad = (change: object) => wrongWith({ ...slider, ...change });
		expect(bad({ safetyM: -1 })).toMatch(/room asked/);
		expect(bad({ safetyM: null })).toMatch(/room asked/);
		expect(bad({ loops: 1.5 })).not.toBeNull();
		expect(bad({ support: { ...slider.support, travelM: [1, 1] } })).not.toBeNull();
		expect(bad({ support: { ...slider.support, travelM: [1, 0] } })).not.toBeNull();
		expect(bad({ support: { ...slider.support, lengthM: 0 } })).not.toBeNull();
		expect(bad({ support: { ...slider.support, armM: 4 } })).not.toBeNull();
		expect(bad({ support: { kind: 'rocket' } })).not.toBeNull();
		expect(bad({ knots: [] })).not.toBeNull();
		const knot = slider.knots[0]!;
		expect(bad({ knots: [knot, knot] })).toMatch(/twice|duplicate/);
		expect(bad({ knots: [{ ...knot, tS: 1e9 }] })).toMatch(/time/);
		expect(bad({ knots: [{ ...knot, values: { ...knot.values, focusM: 0 } }] })).not.toBeNull();
		expect(bad({ knots: Array.from({ length: 41 }, (_, k) => ({ ...knot, id: `k${k}`, tS: k })) })).not.toBeNull();
		expect(bad({ extra: 1 } as Partial<Move>)).not.toBeNull();
		const lens = (atM: readonly unknown[], from = 'measured') =>
			bad({ camera: { ...slider.camera, lens: { atM, from } } });
		expect(lens([0.06, 0, -0.07])).toBeNull();
		expect(lens([0.06, 0, 1.01])).toMatch(/the lens is up/);
		expect(lens([-1.01, 0, 0])).toMatch(/the lens is ahead/);
		expect(lens([0.06, NaN, 0])).not.toBeNull();
		expect(lens([0.06, 0])).not.toBeNull();
		expect(lens([0, 0, 0], 'guessed')).not.toBeNull();
		expect(bad({ support: { ...slider.support, givesM: 0.02 } })).toBeNull();
		expect(bad({ support: { ...slider.support, givesM: -0.001 } })).toMatch(/how far it gives/);
		expect(bad({ support: { ...slider.support, givesM: 1.001 } })).toMatch(/how far it gives/);
		expect(bad({ head: { ...slider.head, givesM: 0.02 } })).not.toBeNull();
	});
});

const carriers: readonly { readonly id: string; readonly name: string; readonly carrying: Carrying }[] = [
	{
		id: '018f0000-0000-7000-8000-000000000001',
		name: 'A rail',
		carrying: {
			kind: 'rail',
			givesM: 0.004,
			lengthM: 2.4,
			travelM: [0.15, 2.25],
			railKg: 11,
			carriageKg: 3,
			plateM: 0.06,
			drive: null,
			inclineRad: 0.1,
			hung: true,
			reachM: 0.2,
			supportsM: [0.3, 2],
			supportBearsN: 800,
			clampHoldsNm: null,
			holdsN: null,
			clampsDown: true
		}
	},
	{
		id: '018f0000-0000-7000-8000-000000000002',
		name: 'An arm',
		carrying: {
			kind: 'arm',
			givesM: null,
			armM: 5.2,
			tailM: 1.6,
			tubeM: 0.12,
			noseToCentreM: [0, -0.3],
			keptLevel: true,
			hung: true,
			pivotHeightM: 1.4,
			boomRange: [-0.4, 0.7],
			swingStops: [-1, 2],
			standing: null,
			headPan: { maxRate: 1, maxAccel: 2 },
			headTilt: { maxRate: 1, maxAccel: 2 }
		}
	}
];

describe('whatever a hand does to a move', () => {
	const place = fc.double({ min: -60, max: 60, noNaN: true });
	type Doing = (move: Move, pick: number, a: number, b: number, c: number) => Move;
	const at = (move: Move, pick: number) => move.knots[pick % move.knots.length]!.id;
	const run = (move: Move) => {
		const found = runOf(move);
		return runs(found) ? found : null;
	};
	const doings: Readonly<Record<string, Doing>> = {
		carry: (move, pick, a, b, c) => carriedTo(move, at(move, pick), [a, b, c]).move,
		put: (move, _pick, a) => putAt(move, run(move), Math.abs(a))?.move ?? move,
		insert: (move, pick) => insertedAfter(move, run(move), at(move, pick))?.move ?? move,
		before: (move, _pick, a) => extended(move, 'start', 0.2 + Math.abs(a))?.move ?? move,
		after: (move, _pick, a) => extended(move, 'end', 0.2 + Math.abs(a))?.move ?? move,
		drop: (move, pick) => without(move, at(move, pick)),
		when: (move, pick, a) => movedInTime(move, at(move, pick), a),
		rest: (move, pick, a) => restedAt(move, at(move, pick), Math.abs(a)),
		total: (move, _pick, a) => lastingFor(move, 1 + Math.abs(a)),
		rail: (move) => standingOn(move, carriers[0]!),
		arm: (move) => standingOn(move, carriers[1]!),
		pattern: (move, pick) => standingOnPattern(move, movePatterns[pick % movePatterns.length]!.id),
		lens: (move, _pick, a, b, c) => {
			const lens = { atM: [a / 60, b / 60, c / 60], from: 'measured' } as const;
			return { ...move, camera: { ...move.camera, lens } };
		},
		payload: (move, pick, a) => ({
			...move,
			camera: withPayload(move.camera, {
				...{ id: 'p', name: 'Another', massKg: 1 + Math.abs(a) },
				lensM: pick % 2 === 0 ? null : [a / 60, 0, 0.05]
			})
		})
	};
	it('the server takes it, every knot has the axes that there are, in their ranges, in order', () => {
		fc.assert(
			fc.property(
				fc.constantFrom(...movePatterns),
				fc.array(fc.tuple(fc.constantFrom(...Object.keys(doings)), fc.nat(50), place, place, place), { maxLength: 8 }),
				(pattern, list) => {
					let move = fromPattern(pattern, 'A move', null, null);
					for (const [what, pick, a, b, c] of list) move = doings[what]!(move, pick, a, b, c);
					expect(wrongWith(move)).toBeNull();
					const ranges = behaves(move.support).axes(move.support);
					for (const { values } of move.knots)
						for (const [axis, each] of Object.entries(ranges)) {
							const value = values[axis as keyof typeof values]!;
							expect(value).toBeGreaterThanOrEqual(each.range[0] - 1e-9);
							expect(value).toBeLessThanOrEqual(each.range[1] + 1e-9);
						}
					expect(readMove(move).problem).toBeNull();
				}
			),
			{ numRuns: process.env.POISE_LONG === '1' ? 300 : 50 }
		);
	}, 60_000);
});
