import { describe, expect, it } from 'vitest';
import { followResponse, seededRandom, walkShake } from '../index';
import { between } from '../numeric/random';
import { steppedFeel } from './steppedFeel';

const random = seededRandom(31);
const turnRad = 0.8;
const walk = [
	{ amplitudeM: 0.018, frequencyHz: 1.8, turnRad: 0.03, phaseRad: 0 },
	{ amplitudeM: 0.012, frequencyHz: 0.9, turnRad: 0.06, phaseRad: 1 }
];
const draw = (deadband: number) => {
	const plant = {
		...{ inertia: between(random, 0.003, 0.05), damping: between(random, 0.5, 1.1), moment: 0 },
		...{ coupling: between(random, 0, 0.05), delay: between(random, 0.002, 0.008) },
		...{ maxRateRadPerS: between(random, 1, 5), maxAccelRadPerS2: between(random, 6, 40) }
	};
	const point = [between(random, 0.8, 8), deadband, between(random, 0.03, 0.4), between(random, 10, 30)] as const;
	const [followPerS, deadbandRad, smoothS, naturalRadPerS] = point;
	const { inertia, damping, coupling, delay, maxRateRadPerS, maxAccelRadPerS2 } = plant;
	return {
		...{ plant, point, settings: { followPerS, deadbandRad, smoothS, maxRateRadPerS, maxAccelRadPerS2 } },
		motor: { inertiaKgM2: inertia, damping, couplingNmS: coupling, delayS: delay, naturalRadPerS }
	};
};

describe('the law as it is stepped for a search', () => {
	it('is the response’s own: a quick turn stands and swings past alike, ringing and held by its limits', () => {
		let [rings, touching] = [0, 0];
		for (let world = 0; world < 80; world += 1) {
			const { plant, point, settings, motor } = draw(0);
			const told = steppedFeel(plant, walk, turnRad).turn(point, 12);
			const real = followResponse({
				...{ settings, plant: motor, endS: 12, atS: [] },
				handle: { kind: 'step', angleRad: turnRad, atS: 0 }
			});
			if (real.overshootRad > 0.02) rings += 1;
			expect(Math.abs(told.overshootRad - real.overshootRad), `world ${world}`).toBeLessThan(
				0.001 + 0.03 * real.overshootRad
			);
			// An extreme that just touches what counts as standing is in for one and out for the other.
			if (Math.abs(told.settleS - (real.settleS ?? Infinity)) > 0.02) touching += 1;
		}
		expect(rings).toBeGreaterThan(20);
		expect(touching).toBeLessThanOrEqual(4);
	});
	it('shakes on a walk as the response does, dead bands too', () => {
		for (let world = 0; world < 24; world += 1) {
			const { plant, point, settings, motor } = draw(between(random, 0, 0.05));
			const told = steppedFeel(plant, walk, turnRad).shake(point);
			const { shakeRad } = walkShake({ settings, plant: motor, walk });
			// It is looked at for less long: a few seconds that begin sooner.
			expect(Math.abs(told - shakeRad), `world ${world}`).toBeLessThan(0.0015 + 0.15 * shakeRad);
		}
	});
});
