import { describe, expect, it } from 'vitest';
import type { Move } from '$lib/stations/moves/model';
import { headPatterns } from '$lib/stations/moves/headPatterns';
import { fromPattern } from '$lib/stations/moves/fromPattern';
import { movePatterns } from '$lib/stations/moves/patterns';
import { headDraft } from './head';
import { moveDraft } from './move';

const wrongWith = (move: unknown) => moveDraft.validate(move, { abortEarly: false }).error?.message ?? null;
const slider = fromPattern(movePatterns[0]!, 'A move', null, null);

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
	});
});
