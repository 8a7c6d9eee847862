import { describe, expect, it } from 'vitest';
import {
	carefulSledHand,
	correctSled,
	estimateSled,
	randomSled,
	seededRandom,
	simulateSledBench,
	type Sled,
	type SledLook,
	sledLookMiss,
	sledReport,
	steadyLean
} from '../index';
import { rounds } from '../testing/rounds';

const radians = (degrees: number) => (degrees * Math.PI) / 180;
const perMinute = (turns: number) => (turns * 2 * Math.PI) / 60;

/** True, quick to drop, and drawn so: whatever is seen otherwise the drawing has wrong. */
const drawn: Sled = {
	parts: [
		{
			id: 'camera',
			body: { massKg: 8, cgM: [0, 0, 0.9], inertiaKgM2: { xx: 0.05, yy: 0.06, zz: 0.04, xy: 0, xz: 0, yz: 0 } }
		},
		{ id: 'monitor', body: { massKg: 1.5, cgM: [0.2, 0, 0.05] } },
		{ id: 'battery', body: { massKg: 3, cgM: [-0.1, 0, 0.05] } }
	],
	gimbalHeightM: 0.62
};
const doubt = { firstMomentKgM: [0.01, 0.01, 0.012] as const, productKgM2: 0.004 };
const told = (looks: readonly SledLook[]) => {
	const estimate = estimateSled({ looks, doubt, carrierId: 'camera' });
	return { ...estimate, sled: correctSled({ sled: drawn, correction: estimate.correction, carrierId: 'camera' }) };
};
const spun = (leanRad: number, plane: 'fore' | 'side' = 'fore'): SledLook => ({
	kind: 'spin',
	plane,
	sled: drawn,
	leanRad,
	sigmaRad: radians(1.4),
	spinRadPerS: perMinute(90),
	spinSigmaRadPerS: perMinute(9)
});
const dropped = (dropTimeS: number): SledLook => ({
	kind: 'drop',
	plane: 'fore',
	sled: drawn,
	dropTimeS,
	sigmaS: 0.055
});
const rested = (leanRad: number): SledLook => ({ kind: 'rest', plane: 'fore', sled: drawn, leanRad, sigmaRad: 0.02 });

describe('what was seen of a sled outweighs what was drawn of it', () => {
	it('believes a lean of 8° in a spin that the drawing has true, the way it was seen', () => {
		for (const sign of [1, -1]) {
			const { sled, widenedBy, looksClash } = told([rested(0), spun(sign * radians(8))]);
			const leanRad = steadyLean({ sled, spinRadPerS: perMinute(90), plane: 'fore' }).leanRad!;
			expect(Math.abs(leanRad - sign * radians(8))).toBeLessThan(radians(1.6));
			expect(widenedBy).toBeGreaterThan(3);
			expect(looksClash).toBe(false);
			// The spin has no say in where it hangs, nor in the other plane.
			expect(Math.abs(sledReport({ sled }).staticOffsetM.fore)).toBeLessThan(0.002);
			expect(sledReport({ sled }).dynamic.sideLeanRad).toBeCloseTo(0, 6);
		}
	});

	it('believes four drops that took twice as long as drawn', () => {
		const foretoldS = sledReport({ sled: drawn }).dropTimeS.fore!;
		expect(foretoldS).toBeLessThan(1.6);
		const { sled, widenedBy } = told([dropped(3)]);
		expect(Math.abs(sledReport({ sled }).dropTimeS.fore! - 3)).toBeLessThan(0.1);
		expect(widenedBy).toBeGreaterThan(2);
	});

	it('leaves the doubts alone where the looks are what was foretold', () => {
		const foretoldS = sledReport({ sled: drawn }).dropTimeS.fore!;
		const { widenedBy, correction } = told([dropped(foretoldS), rested(0), spun(0)]);
		expect(widenedBy).toBe(1);
		expect(Math.hypot(...correction.firstMomentKgM)).toBeLessThan(0.004);
	});

	it('says that looks clash when nothing makes them fit', () => {
		expect(told([dropped(1), dropped(2)]).looksClash).toBe(true);
		expect(told([dropped(1.4), dropped(1.45)]).looksClash).toBe(false);
	});

	it('names the look without which the others fit, wherever it stands, and is less sure of everything meanwhile', () => {
		const honest = [dropped(1.4), dropped(1.45), dropped(1.42), rested(0)];
		for (const at of [0, 2, 4]) {
			const looks = [...honest.slice(0, at), dropped(2.6), ...honest.slice(at)];
			const { looksClash, outlier, sigma } = told(looks);
			expect(looksClash).toBe(true);
			expect(outlier?.index).toBe(at);
			expect(outlier!.offBy).toBeGreaterThan(3);
			const without = told(honest);
			expect(without.outlier).toBeNull();
			expect(sigma.firstMomentKgM[2]).toBeGreaterThan(without.sigma.firstMomentKgM[2]);
		}
	});

	it('does not make a drawing wrong beyond all reason to fit one look that the others contradict', () => {
		for (const sign of [1, -1]) {
			const lean = (degrees: number) => rested(sign * radians(degrees));
			// A sled within a tenth of a millimetre of its own centre would rest at any lean; this one was drawn far from it.
			const { looksClash, outlier, widenedBy } = told([lean(2), lean(2.1), lean(-20)]);
			expect([looksClash, outlier?.index]).toEqual([true, 2]);
			expect(outlier!.offBy).toBeGreaterThan(5);
			expect(widenedBy).toBeLessThan(3);
			expect(told([lean(2), lean(-20)])).toMatchObject({ looksClash: true, outlier: null });
			expect(told([lean(2), lean(2.1), lean(1.9), lean(2), lean(9)]).outlier?.index).toBe(4);
			// One by itself, or several that agree, are believed against the drawing as before.
			for (const agree of [[lean(20)], [lean(20), lean(20.4)], [lean(20), lean(19.5), lean(20.2), spun(0)]])
				expect([told(agree).looksClash, told(agree).widenedBy > 3]).toEqual([false, true]);
		}
	});

	it('names none of two, of which either may be the slip, and none where all disagree', () => {
		expect(told([dropped(1), dropped(2)]).outlier).toBeNull();
		const all = told([dropped(1), dropped(1.6), dropped(2.2), dropped(2.8), dropped(3.4), dropped(4)]);
		expect(all.looksClash).toBe(true);
		expect(all.outlier).toBeNull();
	});

	it('counts how far a look is from what a correction foretells', () => {
		const { correction } = told([dropped(3)]);
		const miss = (look: SledLook) => Math.abs(sledLookMiss({ look, correction, carrierId: 'camera' }));
		expect(miss(dropped(3))).toBeLessThan(1.2);
		expect(miss(dropped(1.5))).toBeGreaterThan(4);
		expect(() => sledLookMiss({ look: rested(0), correction, carrierId: 'nobody' })).toThrow('carrierId');
	});
});

describe('sleds whose drawing is wrong by three times its stated doubt', () => {
	// A hand that sets what the slip says, so that only the slips are tried; eye and thumb as careful as people are.
	const hand = { ...carefulSledHand, plateM: 0, batteryM: 0, gimbalM: 0 };
	const sleds = rounds(200, 40);
	const all = Array.from({ length: sleds }, (_, seed) =>
		simulateSledBench({
			bench: randomSled({ random: seededRandom(seed + 1), cgSigmaM: 0.024 }),
			statedSigmaM: 0.008,
			way: 'assistant',
			hand,
			random: seededRandom(seed + 9000)
		})
	);
	const middle = (values: readonly number[]) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]!;

	it('are right by the last slip, and at the median by the third', () => {
		expect(all.filter(({ poised }) => poised).length).toBeGreaterThanOrEqual(0.95 * sleds);
		expect(middle(all.map(({ trail }) => trail[trail.length - 1]!.error))).toBeLessThan(0.5);
		expect(middle(all.map(({ slipsToPoised }) => slipsToPoised ?? 99))).toBeLessThanOrEqual(3);
	});

	it('are hardly ever told that honest looks clash', () => {
		const slips = all.flatMap(({ trail }) => trail);
		expect(slips.length).toBeGreaterThan(2.5 * sleds);
		expect(slips.filter(({ clash }) => clash).length / slips.length).toBeLessThan(sleds < 200 ? 0.04 : 0.02);
	});

	it('are never sent further from the truth by looks that agree, in 95 of 100', () => {
		const pairs = all.flatMap(({ trail }) =>
			trail.flatMap(({ error, agreed }, index) =>
				agreed && index > 0 ? [[trail[index - 1]!.error, error] as const] : []
			)
		);
		expect(pairs.length).toBeGreaterThan(0.5 * sleds);
		// A quarter of the tolerance is what the eye's own scatter may cost.
		const worse = pairs.filter(([before, after]) => after > before + 0.25);
		expect(worse.length / pairs.length).toBeLessThan(0.05);
	});
});
