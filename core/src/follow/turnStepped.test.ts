import { describe, expect, it } from 'vitest';
import { followResponse, seededRandom } from '../index';
import { type TurnLaw, turnStepped } from './turnStepped';
import { rounds } from '../testing/rounds';

describe('a quick turn as it is timed', () => {
	const random = seededRandom(11);
	const between = (low: number, high: number) => low + random() * (high - low);
	const logBetween = (low: number, high: number) => low * (high / low) ** random();
	const draw = (): { law: TurnLaw; angleRad: number } => ({
		law: {
			followPerS: logBetween(0.6, 9),
			smoothS: logBetween(0.02, 0.35),
			deadbandRad: between(0.005, 0.1),
			maxRateRadPerS: logBetween(0.8, 10),
			maxAccelRadPerS2: logBetween(8, 400)
		},
		angleRad: between(0.3, 1) * (random() < 0.5 ? -1 : 1)
	});

	it('is what the stepped response of the whole law says: half, end and rest, ringing, coasting or held by its limits', () => {
		let [apart, touching, coasts, held] = [0, 0, 0, 0];
		const worlds = rounds(300, 60);
		for (let world = 0; world < worlds; world += 1) {
			const { law, angleRad } = draw();
			const atS = Array.from({ length: 12_001 }, (_, k) => k * 0.001);
			const { referenceRad, settleS, restRad, peakRateRadPerS } = followResponse({
				settings: law,
				handle: { kind: 'step', angleRad, atS: 0 },
				endS: 24,
				atS
			});
			const told = turnStepped(law, angleRad);
			const half = atS[referenceRad.findIndex((angle) => Math.abs(angle) >= Math.abs(restRad) / 2)]!;
			const short = Math.abs(angleRad) - Math.abs(restRad);
			expect(Math.abs(told.halfS - half), `half ${world}`).toBeLessThan(0.004);
			expect(Math.abs(told.restShortRad - Math.abs(short)), `rest ${world}`).toBeLessThan(0.002);
			if (Math.abs(Math.abs(short) - law.deadbandRad) > 0.003) coasts += 1;
			if (peakRateRadPerS > 0.99 * law.maxRateRadPerS) held += 1;
			if (Math.abs(told.endS - settleS!) > 0.006) {
				// An extreme that just touches the band is in for one and out for the other.
				const off = referenceRad.map((angle) => Math.abs(Math.abs(angle - restRad) - 0.02 * Math.abs(angleRad)));
				const near = off.some((each, k) => each < 0.0008 && Math.abs(atS[k]! - Math.min(told.endS, settleS!)) > 0.02);
				if (near) touching += 1;
				else {
					apart += 1;
					console.log(
						'APART',
						world,
						law,
						angleRad,
						told,
						settleS,
						restRad,
						off.reduce((b, e, k) => Math.min(b, Math.abs(atS[k]! - Math.min(told.endS, settleS!)) > 0.02 ? e : b), 9)
					);
				}
			}
		}
		expect(apart).toBe(0);
		expect(touching).toBeLessThan(worlds / 50);
		expect(coasts).toBeGreaterThan(worlds / 6);
		expect(held).toBeGreaterThan(worlds / 12);
	});
	it('is the same to the left as to the right', () => {
		for (let world = 0; world < 50; world += 1) {
			const { law, angleRad } = draw();
			expect(turnStepped(law, -angleRad)).toEqual(turnStepped(law, angleRad));
		}
	});
});
