import { describe, expect, it } from 'vitest';
import { fromPattern } from './fromPattern';
import type { Move } from './model';
import { type Run, runOf, runs } from './path';
import { movePatterns } from './patterns';
import { equalTravel, schoolsFor, syncError } from './tables';

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
const reversed = (move: Move): Move => {
	const [first, last] = [move.knots[0]!, move.knots.at(-1)!];
	return {
		...move,
		knots: [
			{ ...first, values: last.values },
			{ ...last, values: first.values }
		]
	};
};

describe('the table of equal travel', () => {
	it.each(['forth', 'back'] as const)('goes in equal steps of the rail, at the times when it is there: %s', (way) => {
		const move = way === 'forth' ? made('slider') : reversed(made('slider'));
		const whole = run(move);
		const rows = equalTravel(move, whole, 6);
		const ends = [move.knots[0]!, move.knots.at(-1)!].map(({ values }) => values.trackM!) as [number, number];
		rows.forEach(({ share, trackM, atS }, k) => {
			expect(share).toBeCloseTo(k / 5, 12);
			expect(trackM).toBeCloseTo(ends[0] + share * (ends[1] - ends[0]), 3);
			expect(
				whole.paths.map((path) => path.at([atS]).values['trackM']?.[0]).find((at) => at !== undefined)
			).toBeCloseTo(trackM!, 9);
		});
		for (let k = 1; k < rows.length; k += 1) expect(rows[k]!.atS).toBeGreaterThan(rows[k - 1]!.atS);
		// It starts and ends slowly: the first fifth of the way takes longer than one in the middle.
		expect(rows[1]!.atS - rows[0]!.atS).toBeGreaterThan(rows[3]!.atS - rows[2]!.atS);
	});
	it('without a rail goes by equal times', () => {
		const move = made('tripod');
		const whole = run(move);
		const rows = equalTravel(move, whole, 5);
		rows.forEach(({ atS, trackM }, k) => {
			expect(atS).toBeCloseTo(whole.startS + (k / 4) * (whole.endS - whole.startS), 9);
			expect(trackM).toBeNull();
		});
	});
});

describe('how far the subject slips', () => {
	it('not at all with a head on time, and the more the later it runs', () => {
		const move = made('slider');
		const whole = run(move);
		expect(syncError(move, whole, 0)).toBeLessThan(1e-9);
		const [soon, late] = [syncError(move, whole, 0.05), syncError(move, whole, 0.2)];
		expect(soon).toBeGreaterThan(0);
		expect(late).toBeGreaterThan(3 * soon);
	});
	it('of the four ways to hold it the one that misses least comes first, and what cannot be used last', () => {
		const move = made('slider');
		const schools = schoolsFor(move, run(move));
		const told = schools.map(({ errorWidths }) => errorWidths ?? Infinity);
		expect(told).toEqual([...told].sort((one, two) => one - two));
		expect(new Set(schools.map(({ school }) => school))).toEqual(new Set(['linked', 'tracking', 'knots', 'bar']));
		expect(schools.find(({ school }) => school === 'tracking')!.errorWidths).toBeCloseTo(
			syncError(move, run(move), move.head.followLagS),
			12
		);
		const ball: Move = { ...move, head: { ...move.head, kind: 'ball' } };
		for (const { school, errorWidths } of schoolsFor(ball, run(ball)))
			if (school !== 'bar') expect(errorWidths, school).toBeNull();
		const steep = made('incline');
		expect(schoolsFor(steep, run(steep)).find(({ school }) => school === 'bar')!.errorWidths).toBeNull();
	});
});
