import { expect, it } from 'vitest';
import type { Turning, Turnings } from '$lib/model/turning';
import { beyondOf, beyondWords } from './beyond';

const turning = (residualNm: number, motorNm: number | null): Turning => ({
	...{ inertiaKgM2: 0.02, frictionNm: 0.01, carriedKg: 2 },
	...{ residualNm, motorNm }
});
const of = (massKg: number, turnings: Turnings, greatestPayloadKg = 4.5) =>
	beyondOf({ massKg, greatestPayloadKg, turnings, residualNm: (axis) => turnings[axis]?.residualNm ?? 0 });

it('a build of 9.1 kg on a small gimbal must not fly, and neither may what a motor cannot hold', () => {
	const found = of(9.1, { pan: turning(0.2, 0.8), tilt: turning(3.784, 0.8), roll: turning(-0.9, 0.8) });
	expect(found.map((each) => (each.kind === 'motor' ? each.axis : each.kind))).toEqual(['payload', 'tilt', 'roll']);
	const [payload, motors, ...none] = beyondWords(found, 'metric');
	expect(payload).toMatch(/4\.50 kg at most, and 9\.10 kg is on it/);
	expect(motors).toMatch(/tilt .*, 473\u00a0% of its motor; roll .*, 113\u00a0% of its motor\. Balance it first/);
	expect(none).toEqual([]);
});
it('up to what holds, and not beyond it: both ends', () => {
	expect(of(4.5, { tilt: turning(0.8, 0.8) })).toEqual([]);
	expect(of(4.5001, {})).toHaveLength(1);
	expect(of(1, { tilt: turning(0.8001, 0.8) })).toHaveLength(1);
	expect(of(1, { tilt: turning(-0.8001, 0.8) })).toHaveLength(1);
});
it('a motor that nobody knows says nothing, a figure that is none fails closed', () => {
	expect(of(1, { tilt: turning(9, null) })).toEqual([]);
	expect(of(NaN, {})).toHaveLength(1);
	expect(of(1, { tilt: turning(NaN, 0.8) })).toHaveLength(1);
});
