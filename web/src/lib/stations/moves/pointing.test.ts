import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Knot, Move } from './model';
import { fromPattern } from './fromPattern';
import { movePatterns } from './patterns';
import { runOf, runs, sample, valuesAt, poseOf } from './path';
import { backOf, pointedAt, towardsSubject } from './pointing';

const move = fromPattern(
	movePatterns.find(({ id }) => id === 'slider')!,
	'x',
	null,
	null
);
const knot = (of: Move): Knot => of.knots[0]!;
const looks = (of: Move) => {
	const run = runOf(of);
	if (!runs(run)) throw new Error(run.words);
	return poseOf(of, valuesAt(sample(run, [0]), 0));
};

describe('a phone as a pointing stick', () => {
	it('upright its back looks level; flat on a table down, turned over up; a turn to the left is counter-clockwise', () => {
		expect(backOf({ alphaDeg: 0, betaDeg: 90, gammaDeg: 0 }).elevationRad).toBeCloseTo(0, 9);
		expect(backOf({ alphaDeg: 0, betaDeg: 90, gammaDeg: 0 }).headingRad).toBeCloseTo(Math.PI / 2, 9);
		expect(backOf({ alphaDeg: 30, betaDeg: 90, gammaDeg: 0 }).headingRad).toBeCloseTo(Math.PI / 2 + Math.PI / 6, 9);
		expect(backOf({ alphaDeg: 0, betaDeg: 0, gammaDeg: 0 }).elevationRad).toBeCloseTo(-Math.PI / 2, 9);
		expect(backOf({ alphaDeg: 0, betaDeg: 180, gammaDeg: 0 }).elevationRad).toBeCloseTo(Math.PI / 2, 9);
		expect(backOf({ alphaDeg: 0, betaDeg: 120, gammaDeg: 0 }).elevationRad).toBeCloseTo(Math.PI / 6, 9);
	});

	it('pointed at the subject again it looks at the subject; pointed so far aside it looks so far aside', () => {
		const angle = fc.double({ min: -0.6, max: 0.6, noNaN: true });
		fc.assert(
			fc.property(angle, angle, fc.double({ min: -3, max: 3, noNaN: true }), (left, up, north) => {
				const at = { headingRad: north, elevationRad: 0.1 };
				const there = towardsSubject(move, knot(move));
				const now = { headingRad: north + left, elevationRad: 0.1 + up };
				for (const aim of ['subject', 'knots'] as const) {
					const pose = looks(pointedAt({ ...move, aim }, knot(move), at, now));
					expect(Math.sin(pose.headingRad - there.headingRad - left)).toBeCloseTo(0, 6);
					expect(pose.elevationRad).toBeCloseTo(there.elevationRad + up, 6);
				}
				// A lens beside the axes looks another way to see the subject: from there, so far aside.
				const off: Move = { ...move, camera: { ...move.camera, lens: { atM: [0.06, 0.02, 0.07], from: 'measured' } } };
				const seen = towardsSubject(off, knot(off));
				const pose = looks(pointedAt({ ...off, aim: 'knots' }, knot(off), at, now));
				expect(Math.sin(pose.headingRad - seen.headingRad - left)).toBeCloseTo(0, 6);
				expect(pose.elevationRad).toBeCloseTo(seen.elevationRad + up, 6);
			})
		);
	});
});
