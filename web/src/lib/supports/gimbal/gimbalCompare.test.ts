import { describe, expect, it } from 'vitest';
import { payload, record, rig, targetsOf } from '$lib/testing/scenario';
import { twoUp } from './gimbalCompare';

const small = rig('Small');
const of = (word: string, on = small) => record(payload(word), on, targetsOf(on, payload(word)));

describe('two balances side by side', () => {
	it('differ by what was moved and what was mounted', () => {
		const { lines, onlyA, onlyB } = twoUp(of('wide'), of('monitor'));
		const mass = lines.find(({ label }) => label === 'Mass on the plate')!;
		// 370 − 545 + 210 + 95 g.
		expect(mass.b! - mass.a!).toBeCloseTo(130, 6);
		expect(onlyA).toEqual(['Wide zoom 16–35']);
		expect([...onlyB].sort()).toEqual(['35 mm prime', 'Side microphone', 'Small monitor']);
		const plate = lines.find(({ label }) => label === 'Plate reads')!;
		expect(plate.a! * 2).toBe(Math.round(plate.a! * 2));
		expect(plate.b! - plate.a!).toBeGreaterThan(5);
	});
	it('are the same as themselves', () => {
		const one = of('wide');
		const { lines, onlyA, onlyB } = twoUp(one, one);
		for (const { a, b } of lines) expect(b).toBe(a);
		expect([onlyA, onlyB]).toEqual([[], []]);
	});
	it('leave a slide empty that only one of the gimbals has', () => {
		const { lines } = twoUp(of('wide'), of('Cine', rig('Large')));
		expect(lines.find(({ label }) => label === 'Cradle reads')).toMatchObject({ b: null });
		expect(lines.find(({ label }) => label === 'Fork reads')).toMatchObject({ a: null });
	});
	it('count two of a kind as two', () => {
		const one = of('wide');
		const placement = one.snapshot.payload.placements[1]!;
		const twice = {
			...one,
			snapshot: {
				...one.snapshot,
				payload: {
					...one.snapshot.payload,
					placements: [...one.snapshot.payload.placements, { ...placement, id: 'second' }]
				}
			}
		};
		expect(twoUp(one, twice).onlyB).toEqual(['Wide zoom 16–35']);
	});
});
