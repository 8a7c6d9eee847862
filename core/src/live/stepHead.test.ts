import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type HeadAxis, type HeadCommand, stepHead } from './stepHead';
import { rounds } from '../testing/rounds';

const axis = (more: Partial<HeadAxis> = {}): HeadAxis => ({
	position: 0,
	rate: 0,
	range: [-1, 1],
	maxRate: 1,
	maxAccel: 2,
	...more
});
const one = (a: HeadAxis, command: HeadCommand, dtS: number) =>
	stepHead({ head: { axes: { panRad: a } }, command, dtS }).axes.panRad!;
const rates = (panRad: number): HeadCommand => ({ kind: 'rates', rates: { panRad } });

describe('a head that is stepped', () => {
	it('takes up a speed by its acceleration, each way to its own side', () => {
		const [left, right] = [one(axis(), rates(1), 0.1), one(axis(), rates(-1), 0.1)];
		expect([left.rate, right.rate]).toEqual([0.2, -0.2]);
		expect(left.position).toBeCloseTo(0.01, 12);
		expect(right.position).toBeCloseTo(-0.01, 12);
		expect(one(axis({ rate: 1 }), { kind: 'rest' }, 0.25)).toMatchObject({ rate: 0.5, position: 0.1875 });
	});

	it('brakes in time for either end and comes to stand at it', () => {
		for (const way of [1, -1]) {
			let at = axis({ lagS: 0.05 });
			for (let k = 0; k < 2000; k += 1) {
				at = one(at, rates(9 * way), 0.005);
				expect(Math.abs(at.rate)).toBeLessThanOrEqual(Math.sqrt(4 * (1 - Math.abs(at.position))) + 1e-9);
			}
			expect(at.position).toBeCloseTo(way, 4);
			expect(Math.abs(at.rate)).toBeLessThan(1e-3);
		}
	});

	it('is never beyond an end, whatever it is asked and however long the step', () => {
		const any = fc.oneof(fc.double(), fc.constantFrom(NaN, Infinity, -Infinity, 1e300, -1e300));
		const command = fc.oneof(
			fc.constant({ kind: 'rest' } as const),
			fc.record({ kind: fc.constant('rates' as const), rates: fc.record({ panRad: any }) }),
			fc.record({
				kind: fc.constant('follow' as const),
				at: fc.record({ panRad: any }),
				rates: fc.record({ panRad: any }),
				gainPerS: any
			}),
			fc.anything() as fc.Arbitrary<HeadCommand>
		);
		const figures = fc.record({
			position: fc.double({ min: -1, max: 1, noNaN: true }),
			maxRate: fc.double({ min: 0.05, max: 5, noNaN: true }),
			maxAccel: fc.double({ min: 0.05, max: 20, noNaN: true }),
			lagS: fc.double({ min: 0, max: 0.3, noNaN: true })
		});
		fc.assert(
			fc.property(
				figures,
				fc.array(fc.tuple(command, fc.double({ min: 1e-4, max: 2, noNaN: true })), { maxLength: 40 }),
				(given, steps) => {
					let at = axis(given);
					for (const [each, dtS] of steps) {
						const next = one(at, each, dtS);
						expect(next.position).toBeGreaterThanOrEqual(-1);
						expect(next.position).toBeLessThanOrEqual(1);
						expect(Math.abs(next.rate)).toBeLessThanOrEqual(given.maxRate * (1 + 1e-12));
						expect(Math.abs(next.rate - at.rate)).toBeLessThanOrEqual(given.maxAccel * dtS + 1e-9);
						const room = next.rate > 0 ? 1 - next.position : next.position + 1;
						expect(next.rate ** 2 / (2 * given.maxAccel)).toBeLessThanOrEqual(room + 1e-9);
						at = next;
					}
				}
			),
			{ numRuns: rounds(2000, 200) }
		);
	});

	it('found beyond an end it only goes back', () => {
		let at = axis({ position: 1.2, rate: 0.5 });
		let most = 1.2;
		for (let k = 0; k < 200; k += 1) {
			at = one(at, rates(1), 0.01);
			most = Math.max(most, at.position);
		}
		expect(most).toBeLessThan(1.2 + 0.5 ** 2 / 4 + 0.01);
		expect(one(axis({ position: 1.2 }), rates(-1), 0.5).position).toBeLessThan(1.2);
		expect(one(axis({ position: 1.2 }), rates(1), 0.5).position).toBe(1.2);
	});
});
