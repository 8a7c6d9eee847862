import { frameOf } from '@poise/core';
import { describe, expect, it } from 'vitest';
import { knotFields } from './fields';
import { readMove } from './figures';
import { fromPattern } from './fromPattern';
import { type Move, tempos } from './model';
import { poseOf, valuesAt } from './path';
import { movePatterns } from './patterns';
import { sweepMove, usualSweep } from './sweep';

describe('so far, in so long', () => {
	it.each([
		['slider', 1.2, 6, 1.5, 50],
		['slider', 0.4, 12, 0.6, 85],
		['dolly', 8, 20, 5, 24]
	] as const)(
		'%s over %d m in %d s past a subject %d m off with %d mm: rail, knots and subject are laid',
		(carries, farM, lastsS, subjectM, focalMm) => {
			for (const tempo of tempos) {
				const move = sweepMove({ carries, farM, lastsS, subjectM, focalM: focalMm / 1000, tempo }, 'A run', null, null);
				const { figures, problem } = readMove(move);
				expect(problem).toBeNull();
				expect(figures!.lastsS).toBeCloseTo(lastsS, 9);
				expect(figures!.beyond.filter(({ axis }) => axis === 'trackM')).toEqual([]);
				const { poses, sampled } = figures!;
				const [from, to] = [poses[0]!.centreM, poses[poses.length - 1]!.centreM];
				expect(Math.hypot(...from.map((value, axis) => value - to[axis]!))).toBeCloseTo(farM, 6);
				// Half way it is square off the line, so far off, in the middle of the picture.
				const middle = from.map((value, axis) => (value + to[axis]!) / 2);
				expect(Math.hypot(...middle.map((value, axis) => value - move.subject.atM[axis]!))).toBeCloseTo(subjectM, 6);
				for (const k of [0, 30, 60]) {
					const values = valuesAt(sampled, k);
					expect(values.focalM).toBeCloseTo(focalMm / 1000, 9);
					const seen = frameOf({
						...{ pose: poseOf(move, values), pointM: move.subject.atM, focalM: values.focalM },
						...{ sensorWidthM: 0.036, sensorHeightM: 0.02 }
					});
					expect(Math.abs(seen.xWidths!)).toBeLessThan(0.01);
				}
			}
		}
	);
	it('asks what it says: 1.2 m in 6 s evenly are 200 mm/s, by ramps of a second 240', () => {
		const top = (tempo: Move['tempo']) =>
			readMove(sweepMove({ ...usualSweep, farM: 1.2, lastsS: 6, tempo }, 'A run', null, null)).figures!.run.peaks
				.trackM!.rate;
		expect(top('even')).toBeCloseTo(0.2, 9);
		expect(top('ramps')).toBeCloseTo(0.24, 9);
	});
});

describe('a crane’s knot by where its lens is', () => {
	const crane = (): Move =>
		fromPattern(
			movePatterns.find(({ id }) => id === 'crane')!,
			'A move',
			null,
			null
		);
	const fieldOf = (move: Move, id: string) => knotFields(move, move.knots[0]!).find((each) => each.id === id)!;
	const height = (move: Move) => poseOf(move, move.knots[0]!.values).positionM[2];
	it.each([0.8, 1.4, 2.6])('typed %d m high, the lens stands so high, the same way', (wanted) => {
		const move = crane();
		const field = fieldOf(move, 'knot-lens-height');
		expect(field.value).toBeCloseTo(height(move), 9);
		expect(field.check(wanted)).toBeNull();
		const moved = field.put(wanted);
		expect(height(moved)).toBeCloseTo(wanted, 6);
		expect(fieldOf(moved, 'knot-bearing').value).toBeCloseTo(fieldOf(move, 'knot-bearing').value, 6);
		expect(moved.knots[1]).toEqual(move.knots[1]);
	});
	it('out of its reach it says why, at the field, and nothing is put', () => {
		const move = crane();
		expect(fieldOf(move, 'knot-lens-height').check(12)).toMatch(/The boom ends before it: [−\d.]+ to [\d.]+ m here/);
		expect(fieldOf(move, 'knot-reach').check(25)).toMatch(/ends before it/);
	});
	it('a reach typed is reached: by the boom of a plain arm, by pulling out a telescopic one', () => {
		for (const id of ['crane', 'telescopic']) {
			const move = fromPattern(
				movePatterns.find((each) => each.id === id)!,
				'A move',
				null,
				null
			);
			const field = fieldOf(move, 'knot-reach');
			const wanted = id === 'crane' ? field.value - 0.2 : field.value + 0.3;
			expect(field.check(wanted), id).toBeNull();
			const moved = field.put(wanted);
			expect(fieldOf(moved, 'knot-reach').value, id).toBeCloseTo(wanted, 6);
			const { boomRad, extensionM } = moved.knots[0]!.values;
			if (id === 'crane') expect(boomRad).not.toBeCloseTo(move.knots[0]!.values.boomRad!, 3);
			else
				expect([boomRad, extensionM! - move.knots[0]!.values.extensionM!]).toEqual([
					move.knots[0]!.values.boomRad,
					expect.closeTo(0.3 / Math.cos(boomRad!), 2)
				]);
		}
	});
	it('a bearing turns the arm and leaves the height', () => {
		const move = crane();
		const field = fieldOf(move, 'knot-bearing');
		const moved = field.put(field.value + 0.3);
		expect(fieldOf(moved, 'knot-bearing').value).toBeCloseTo(field.value + 0.3, 3);
		expect(height(moved)).toBeCloseTo(height(move), 3);
	});
});
