import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { PhysicsInputError } from '../errors';
import { chargeFromIndicator } from './chargeFromIndicator';
import { powerPlan } from './powerPlan';

const source = { id: 'block', capacityWh: 98, voltageV: 14.4, count: 3, atOnce: 1, ageFactor: 0.85 };
const tap = { id: 'main', sourceId: 'block', voltageV: 14.4, limitA: 6, efficiency: 1 };
const plan = (extra: object = {}) =>
	powerPlan({
		sources: [source],
		taps: [tap],
		loads: [{ id: 'camera', tapId: 'main', drawW: 40 }],
		marginShare: 0.15,
		jobS: 4 * 3600,
		...extra
	});

describe('the power plan', () => {
	it('keeps two batteries and their taps apart: draw, sets, hours and overload', () => {
		const plan = powerPlan({
			sources: [
				{ id: 'big', capacityWh: 90, voltageV: 14.4, count: 5, atOnce: 2, ageFactor: 0.8 },
				{ id: 'small', capacityWh: 10, voltageV: 7.2, count: 1, atOnce: 1, ageFactor: 1 }
			],
			taps: [
				{ id: 'body', sourceId: 'big', voltageV: 12, limitA: 2, efficiency: 0.8 },
				{ id: 'ring', sourceId: 'big', voltageV: 6, limitA: 1, efficiency: 1 },
				{ id: 'aid', sourceId: 'small', voltageV: 5, limitA: 0.3, efficiency: 1 }
			],
			loads: [
				{ id: 'camera', tapId: 'body', drawW: 24 },
				{ id: 'motor', tapId: 'ring', drawW: 6 },
				{ id: 'ear', tapId: 'aid', drawW: 2 }
			],
			...{ marginShare: 0.25, jobS: 5 * 3600 }
		});
		const [big, small] = plan.sources;
		expect(big!.drawW).toBeCloseTo(24 / 0.8 + 6, 12);
		// Two at once: 2 · 90 · 0.8 · 0.75 = 108 Wh over 36 W.
		expect(big!.setRunTimeS).toBeCloseTo(3 * 3600, 6);
		expect(big!.totalRunTimeS).toBeCloseTo(6 * 3600, 6);
		expect(big!.swapsS).toEqual([big!.setRunTimeS]);
		expect([big!.lastsTheJob, big!.missing]).toEqual([true, 0]);
		expect(small!.drawW).toBe(2);
		expect(small!.setRunTimeS).toBeCloseTo(3.75 * 3600, 6);
		expect([small!.lastsTheJob, small!.missing, small!.swapsS]).toEqual([false, 1, []]);
		// Up to its limit a tap carries; over it, it does not.
		expect(plan.taps).toEqual([
			{ id: 'body', currentA: 2, overloaded: false },
			{ id: 'ring', currentA: 1, overloaded: false },
			{ id: 'aid', currentA: 0.4, overloaded: true }
		]);
		expect(plan.lastsTheJob).toBe(false);
	});
	it.each([
		['atOnce', 1.5],
		['atOnce', 0],
		['count', 2.5],
		['ageFactor', 1.01]
	])('refuses a battery whose %s is %d', (field, value) => {
		const block = { id: 'block', capacityWh: 98, voltageV: 14.4, count: 2, atOnce: 1, ageFactor: 0.9, [field]: value };
		expect(() => powerPlan({ sources: [block], taps: [], loads: [], marginShare: 0.2, jobS: 60 })).toThrow(field);
	});
	it('has nothing to swap where nothing draws', () => {
		const block = { id: 'block', capacityWh: 98, voltageV: 14.4, count: 2, atOnce: 1, ageFactor: 0.9 };
		const idle = powerPlan({ sources: [block], taps: [], loads: [], marginShare: 0.2, jobS: 60 }).sources[0]!;
		expect([idle.swapsS, idle.missing, idle.lastsTheJob]).toEqual([[], 0, true]);
	});
	it('has no figure for what draws next to nothing, and none that is not finite', () => {
		const plan = (drawW: number) =>
			powerPlan({
				sources: [{ id: 'block', capacityWh: 98, voltageV: 14.4, count: 2, atOnce: 1, ageFactor: 0.9 }],
				taps: [{ id: 'tap', sourceId: 'block', voltageV: 14.4, limitA: 5, efficiency: 1 }],
				loads: [{ id: 'camera', tapId: 'tap', drawW }],
				...{ marginShare: 0.2, jobS: 10_800 }
			}).sources[0]!;
		for (const drawW of [0, 5e-324, 1e-12, 9e-4]) expect(plan(drawW).setRunTimeS).toBeNull();
		expect(plan(1e-3).setRunTimeS).toBeCloseTo((98 * 3600 * 0.9 * 0.8) / 1e-3, 0);
	});
	it('runs a set for usable energy over draw and swaps at each multiple of it', () => {
		const [block] = plan().sources;
		const setS = (98 * 0.85 * 0.85 * 3600) / 40;
		expect(block!.setRunTimeS).toBeCloseTo(setS, 9);
		block!.swapsS.forEach((swapS, k) => expect(swapS).toBeCloseTo((k + 1) * setS, 9));
		expect(block!.swapsS).toHaveLength(2);
		expect(block!.lastsTheJob).toBe(true);
		expect(plan({ jobS: block!.setRunTimeS! * 2 }).sources[0]!.swapsS).toHaveLength(1);
	});

	it('says how many batteries the job is short of, in whole sets', () => {
		const pairs = plan({ sources: [{ ...source, count: 3, atOnce: 2 }], jobS: 12 * 3600 }).sources[0]!;
		expect(pairs.setRunTimeS! * Math.ceil((12 * 3600) / pairs.setRunTimeS!)).toBeGreaterThanOrEqual(12 * 3600);
		expect(pairs.missing).toBe(2 * Math.ceil((12 * 3600) / pairs.setRunTimeS!) - 3);
		expect(pairs.lastsTheJob).toBe(false);
	});

	it('uses the same energy however the loads are shared among straight taps', () => {
		fc.assert(
			fc.property(fc.array(fc.double({ min: 1, max: 60, noNaN: true }), { minLength: 1, maxLength: 6 }), (draws) => {
				const taps = draws.map((_, k) => ({ ...tap, id: `t${k}` }));
				const loads = draws.map((drawW, k) => ({ id: `l${k}`, tapId: `t${k}`, drawW }));
				const spread = plan({ taps, loads });
				const together = plan({ loads: loads.map((load) => ({ ...load, tapId: 'main' })) });
				expect(spread.sources[0]!.drawW).toBeCloseTo(together.sources[0]!.drawW, 9);
				spread.taps.forEach(({ overloaded, currentA }) => expect(overloaded).toBe(currentA > 6));
			})
		);
	});

	it('draws what a lossy tap wastes from the cells but not through the tap', () => {
		const lossy = plan({ taps: [{ ...tap, voltageV: 7.2, efficiency: 0.8 }] });
		expect(lossy.sources[0]!.drawW).toBeCloseTo(50, 12);
		expect(lossy.taps[0]!.currentA).toBeCloseTo(40 / 7.2, 12);
	});

	it('lets a battery that feeds nothing be', () =>
		expect(plan({ loads: [] }).sources[0]).toMatchObject({ setRunTimeS: null, missing: 0, lastsTheJob: true }));

	it.each([
		['a tap of no battery', { taps: [{ ...tap, sourceId: 'x' }] }, 'taps[0].sourceId'],
		['a load on no tap', { loads: [{ id: 'a', tapId: 'x', drawW: 1 }] }, 'loads[0].tapId'],
		['half a battery', { sources: [{ ...source, count: 1.5 }] }, 'sources[0].count'],
		['an age past new', { sources: [{ ...source, ageFactor: 1.2 }] }, 'sources[0].ageFactor'],
		['a margin of all', { marginShare: 1 }, 'marginShare'],
		['a negative draw', { loads: [{ id: 'a', tapId: 'main', drawW: -1 }] }, 'loads[0].drawW']
	])('refuses %s by name', (_, extra, path) => {
		expect(() => plan(extra)).toThrow(PhysicsInputError);
		expect(() => plan(extra)).toThrow(path);
	});
});

describe('a charge indicator', () => {
	const four = { fromShares: [0, 0.25, 0.5, 0.75], fullRunTimeS: 4000, marginShare: 0 };
	it('reads as the stretch between its steps', () => {
		expect(chargeFromIndicator({ ...four, lit: 3 })).toEqual({ shares: [0.5, 0.75], seconds: [2000, 3000] });
		expect(chargeFromIndicator({ ...four, lit: 4 }).shares).toEqual([0.75, 1]);
		expect(chargeFromIndicator({ ...four, lit: 0 }).shares).toEqual([0, 0]);
	});
	it('covers the whole charge without a gap', () => {
		for (let lit = 1; lit < 4; lit += 1)
			expect(chargeFromIndicator({ ...four, lit }).shares[1]).toBe(
				chargeFromIndicator({ ...four, lit: lit + 1 }).shares[0]
			);
	});
	it('refuses steps that do not rise and counts past the last', () => {
		expect(() => chargeFromIndicator({ ...four, fromShares: [0, 0.5, 0.5], lit: 1 })).toThrow('fromShares[2]');
		expect(() => chargeFromIndicator({ ...four, lit: 5 })).toThrow('lit');
	});
});
