import { describe, expect, it } from 'vitest';
import { bodies, payload } from '$lib/testing/scenario';
import { benchState, sled } from '$lib/testing/sled';
import { counterOf, legsOf, reachable, reachCurve, settingAt } from './carry';
import { sledFigures } from './figures';
import { poisedFrom } from './poisedFrom';
import { settledOn } from './standing';
import { freshWorn } from './worn.svelte';

const medium = sled('medium');
const tele = bodies(payload('tele'));
const state = poisedFrom(medium, tele, benchState(medium));
const figures = sledFigures(medium, tele, state, null);
const curve = reachCurve(medium.geometry, state.setting, figures.sled, 2.5, 'monitor', 'battery');

describe('reach', () => {
	it('finds what slides and what goes against it', () => {
		expect(reachable(medium.geometry).map(({ id }) => id)).toEqual(['monitor', 'battery']);
		expect(counterOf(medium.geometry, 'monitor', ['battery'])).toBe('battery');
		expect(counterOf(medium.geometry, 'monitor', [])).toBe('battery');
		expect(counterOf(medium.geometry, 'battery', ['battery'])).toBe('monitor');
		expect(counterOf({ ...medium.geometry, items: [] }, 'battery', [])).toBeNull();
	});
	it('costs nothing where it stands and gives pan inertia further out', () => {
		const here = curve.reduce((a, b) => (Math.abs(a.shiftM) < Math.abs(b.shiftM) ? a : b));
		expect(here.panInertiaKgM2 / figures.report.panInertiaKgM2).toBeCloseTo(1, 1);
		expect(curve[curve.length - 1]!.panInertiaKgM2).toBeGreaterThan(1.15 * here.panInertiaKgM2);
		expect(curve[0]!.panInertiaKgM2).toBeLessThan(here.panInertiaKgM2);
	});
	it('a place of the curve, set up, is what the curve says', () => {
		const point = curve[Math.floor(curve.length * 0.7)]!;
		const target = settingAt(medium.geometry, state.setting, figures.sled, 'monitor', point);
		// Nothing past its travel.
		expect(settledOn(medium.geometry, target)).toEqual(target);
		const then = sledFigures(medium, tele, { ...state, setting: target }, null).report;
		expect(then.panInertiaKgM2).toBeCloseTo(point.panInertiaKgM2, 9);
		expect(then.dynamic.foreLeanRad).toBeCloseTo(point.foreLeanRad, 9);
		expect(then.dropTimeS.fore).toBeCloseTo(2.5, 6);
		expect(Math.abs(then.staticOffsetM.fore)).toBeLessThan(1e-9);
	});
});

describe('legs', () => {
	it('come nearer with a longer stride and a longer reach', () => {
		const clear = (strideM: number, foreM = 0) =>
			legsOf(
				medium.geometry,
				{ ...state.setting, items: { ...state.setting.items, monitor: { foreM, sideM: 0, upM: 0, tiltRad: 0 } } },
				{ ...freshWorn, stance: { ...freshWorn.stance, strideM } }
			).clearanceM;
		expect(clear(1)).toBeLessThan(clear(0.5));
		expect(clear(0.7, 0.08)).toBeLessThan(clear(0.7, -0.05));
	});
});
