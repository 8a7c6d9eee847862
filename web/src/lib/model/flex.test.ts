import { describe, expect, it } from 'vitest';
import { flexLimit, flexOf, flexWords } from './flex';

const rail = (supportsM: readonly number[], reachM = 0) =>
	flexOf(null, { by: 'rail', lengthM: 1.2, supportsM, reachM }).m;

describe('what gives', () => {
	it('is the gear’s own figure where there is one, 0 too', () => {
		expect(flexOf(0.03, { by: 'arm', reachM: 6 })).toEqual({ m: 0.03, guessed: false });
		expect(flexOf(0, { by: 'stand' })).toEqual({ m: 0, guessed: false });
	});
	it('is guessed by kind where there is none: more for a longer arm, never nothing', () => {
		expect(flexOf(undefined, { by: 'arm', reachM: 3 })).toEqual({ m: 0.06, guessed: true });
		expect(flexOf(null, { by: 'arm', reachM: 0.5 }).m).toBe(0.02);
		expect(flexOf(null, { by: 'wall' }).m).toBeGreaterThan(flexOf(null, { by: 'stand' }).m);
		for (const by of ['stand', 'ceiling', 'wall', 'dolly'] as const) expect(flexOf(null, { by }).m).toBeGreaterThan(0);
		expect(flexOf(null, { by: 'arm', reachM: 300 }).m).toBe(flexLimit.most);
	});
	it('of a rail goes by its longest stretch that nothing holds, one end out counted twice', () => {
		expect(rail([0, 1.2])).toBeCloseTo(0.005 + 0.012, 9);
		expect(rail([0.3, 0.9])).toBeCloseTo(0.005 + 0.006, 9);
		expect(rail([0.6])).toBeCloseTo(0.005 + 0.012, 9);
		expect(rail([0])).toBeCloseTo(0.005 + 0.024, 9);
		expect(rail([1.2])).toBeCloseTo(0.005 + 0.024, 9);
		expect(rail([0.9, 0.3])).toBe(rail([0.3, 0.9]));
		expect(rail([0.3, 0.9], -0.5)).toBeCloseTo(0.005 + 0.006 + 0.01, 9);
		// Held by nobody knows what, at both ends.
		expect(flexOf(null, { by: 'rail', lengthM: 2, supportsM: [], reachM: 0 }).m).toBeGreaterThan(0);
	});
	it('is said with where it comes from', () => {
		const far = (m: number) => `${m} m`;
		expect(flexWords({ m: 0.06, guessed: true }, far)).toBe(
			'0.06 m more for what gives, a careful guess: its own figure is not known'
		);
		expect(flexWords({ m: 0.06, guessed: false }, far)).toContain('as its own figure says');
		expect(flexWords({ m: 0, guessed: false }, far)).toContain('nothing');
	});
});
