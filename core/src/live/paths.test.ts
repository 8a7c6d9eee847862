import { describe, expect, it } from 'vitest';
import { coast, paceBrake, stopOnPath, transition } from '../index';
import { between, seededRandom } from '../numeric/random';
import { goOn, throughKeys, toPose, wayAt } from './way';
import { minimumJerk, minimumJerkRate, minimumJerkAccel } from '../motion/minimumJerk';

describe('from pose to pose', () => {
	it('keeps every limit, touches the one that binds, and no shorter time would', () => {
		const random = seededRandom(5);
		for (let k = 0; k < 300; k += 1) {
			const names = ['panRad', 'tiltRad', 'trackM'].slice(0, 1 + Math.floor(3 * random()));
			const by = (least: number, most: number) =>
				Object.fromEntries(names.map((name) => [name, between(random, least, most)]));
			const [from, to] = [by(-2, 2), by(-2, 2)];
			const limits = Object.fromEntries(
				names.map((name) => [
					name,
					{ maxRate: between(random, 0.1, 2), maxAccel: between(random, 0.1, 5), maxJerk: between(random, 0.5, 40) }
				])
			);
			const { durationS, bindingAxis, bindingLimit } = transition({ from, to, limits });
			let closest = 0;
			for (const name of names) {
				const d = Math.abs(to[name]! - from[name]!);
				const { maxRate, maxAccel, maxJerk } = limits[name]!;
				// By looking, not by the roots: third derivative by differences of the second.
				let [rate, accel, jerk] = [0, 0, 0];
				for (let s = 0; s <= 2000; s += 1) {
					const p = s / 2000;
					rate = Math.max(rate, (d * minimumJerkRate(p)) / durationS);
					accel = Math.max(accel, Math.abs(d * minimumJerkAccel(p)) / durationS ** 2);
					jerk = Math.max(jerk, Math.abs(d * (60 - 360 * p + 360 * p * p)) / durationS ** 3);
				}
				const used = { speed: rate / maxRate, acceleration: accel / maxAccel, jerk: jerk / maxJerk };
				for (const each of Object.values(used)) expect(each).toBeLessThanOrEqual(1 + 1e-9);
				closest = Math.max(closest, ...Object.values(used));
				if (name === bindingAxis) expect(used[bindingLimit as 'speed']).toBeGreaterThan(1 - 1e-5);
			}
			expect(closest).toBeGreaterThan(1 - 1e-5);
		}
	});

	it('the share of the way is its own derivatives, still at both ends', () => {
		for (let s = 0.05; s < 1; s += 0.05) {
			expect((minimumJerk(s + 1e-5) - minimumJerk(s - 1e-5)) / 2e-5).toBeCloseTo(minimumJerkRate(s), 7);
			expect((minimumJerkRate(s + 1e-5) - minimumJerkRate(s - 1e-5)) / 2e-5).toBeCloseTo(minimumJerkAccel(s), 6);
		}
		expect([minimumJerk(0), minimumJerk(1), minimumJerkRate(0), minimumJerkRate(1)]).toEqual([0, 1, 0, 0]);
		expect(Math.abs(minimumJerkAccel(0)) + Math.abs(minimumJerkAccel(1))).toBe(0);
	});
});

describe('stopping on the way', () => {
	it('is what the pace, slowed as hard as allowed moment by moment, comes to', () => {
		const random = seededRandom(11);
		for (let k = 0; k < 120; k += 1) {
			const deltas = { panRad: between(random, -2, 2), trackM: between(random, -1, 1) };
			const durationS = between(random, 1, 6);
			// A fifth of them break their own limit.
			const hard = (d: number) => ((10 / Math.sqrt(3)) * Math.abs(d)) / durationS ** 2;
			const most = between(random, 0.8, 3);
			const limits = {
				panRad: { maxAccel: hard(deltas.panRad) * most },
				trackM: { maxAccel: hard(deltas.trackM) * between(random, 1, 3) }
			};
			const atS = durationS * between(random, 0.05, 0.95);
			const found = stopOnPath({ deltas, durationS, atS, limits });
			let [s, u, t] = [atS, 1, 0];
			const h = 2e-5 * durationS;
			for (; u > 0 && s < durationS; t += h) {
				const by = (f: (part: number) => number, power: number) =>
					Object.fromEntries(
						Object.entries(deltas).map(([axis, d]) => [axis, (d * f(s / durationS)) / durationS ** power])
					);
				const { brake } = paceBrake({
					rates: by(minimumJerkRate, 1),
					accels: by(minimumJerkAccel, 2),
					pace: u,
					limits
				});
				const next = Math.max(0, u + brake * h);
				s += (h * (u + next)) / 2;
				u = next;
			}
			expect(Math.abs(found.alongS - (s - atS))).toBeLessThan(1e-3 * durationS);
			expect(Math.abs(found.stopS - t)).toBeLessThan(4e-3 * durationS);
			expect(found.feasible).toBe(most >= 1 || found.feasible);
		}
	});

	it('braking any of its axes alone takes no less way than their coast', () => {
		const at = stopOnPath({ deltas: { panRad: 1 }, durationS: 2, atS: 1, limits: { panRad: { maxAccel: 3 } } });
		const alone = coast({ rates: { panRad: 0.9375 }, limits: { panRad: { maxAccel: 3 } } });
		expect(minimumJerk((1 + at.alongS) / 2) - 0.5).toBeCloseTo(alone.travel.panRad!, 9);
		expect(at.stopS).toBeCloseTo(alone.stopS, 9);
	});
});

describe('a way run at any pace', () => {
	const limits = {
		panRad: { maxRate: 1, maxAccel: 1.5 },
		tiltRad: { maxRate: 1, maxAccel: 1.2 }
	};
	const ways = [
		toPose({ panRad: -1, tiltRad: 0.2 }, { panRad: 1.2, tiltRad: -0.3 }, limits),
		throughKeys(
			[
				{ tS: 2, values: { panRad: 0, tiltRad: 0 } },
				{ tS: 6, values: { panRad: 1, tiltRad: 0.3 } },
				{ tS: 11, values: { panRad: -0.5, tiltRad: 0.1 } }
			],
			'still'
		)
	];
	it('through keys its time runs from the first key to the last, whenever those are', () => {
		for (const beginS of [-5, 0, 5]) {
			const keys = [0, 10].map((s) => ({ tS: beginS + s, values: { panRad: s / 10 } }));
			const way = throughKeys(keys, 'natural');
			expect(way.durationS).toBeCloseTo(10, 12);
			for (const s of [0, 2.5, 10]) expect(wayAt(way, s).values.panRad).toBeCloseTo(s / 10, 12);
		}
	});
	it('keeps every axis within its acceleration while it stops, turns back and goes on', () => {
		const random = seededRandom(3);
		for (const way of ways) {
			let going = { s: 0, pace: 0, direction: 1 as 1 | -1 };
			let before = wayAt(way, 0).values;
			let speeds: Record<string, number> = { panRad: 0, tiltRad: 0 };
			let turned = 0;
			let wanted = { pace: 1, direction: 1 as 1 | -1 };
			const dt = 0.004;
			for (let k = 0; k < 6000; k += 1) {
				if (k % 300 === 0) wanted = { pace: random(), direction: random() < 0.6 ? 1 : -1 };
				const next = goOn(way, going, wanted, dt, limits);
				if (next.direction !== going.direction) turned += 1;
				const { values } = wayAt(way, next.s);
				for (const axis of ['panRad', 'tiltRad'] as const) {
					const speed = (values[axis]! - before[axis]!) / dt;
					// A step's difference is a little off its instant: a hundredth of the limit, and what ends give.
					const ends = next.s === 0 || next.s === way.durationS;
					if (!ends) expect(Math.abs(speed - speeds[axis]!) / dt).toBeLessThan(limits[axis].maxAccel * 1.05);
					speeds = { ...speeds, [axis]: speed };
				}
				before = values;
				going = next;
			}
			expect(turned).toBeGreaterThan(2);
		}
	});
});
