import { sledReport } from '@poise/core';
import { describe, expect, it } from 'vitest';
import type { SledBenchState, SledSeen } from './model';
import { dropAdvice, leanToleranceRad } from './advice';
import { estimateFromSeen, type MountedBody, sledFigures } from './figures';
import { sledFromPattern, sledPatterns } from './patterns';
import { lineInWords, linesBetween, sledSlip, targetOf } from './slip';
import { dockedSetting, plateMove, rangesFrom, settledOn, sledOf, swingRad } from './standing';

const patterns = Object.fromEntries(sledPatterns.map((each) => [each.id, sledFromPattern(each, each.name)]));
const heavy = patterns.heavy!;
const camera = (massKg: number): MountedBody[] => [
	{ id: 'plate', body: { massKg: 0.4, cgM: [0, 0, 0.01] }, sigmaM: [0.001, 0.001, 0.001] },
	{ id: 'body', body: { massKg: massKg - 0.4, cgM: [0.03, 0.004, 0.09] }, sigmaM: [0.006, 0.004, 0.006] }
];
const start = (id: string): SledBenchState => ({
	setting: dockedSetting(patterns[id]!.geometry),
	slips: [],
	seen: [],
	dropTimeS: 2.5,
	shots: ['pans'],
	movers: id === 'heavy' ? ['rearBattery', 'batteries'] : ['battery']
});

describe('the plan', () => {
	it.each([
		['light', 1.4],
		['medium', 4.5],
		['heavy', 9]
	])('poises the %s pattern with its payload within three slips', (id, massKg) => {
		const sled = patterns[id]!;
		let state = start(id);
		const payload = camera(massKg);
		let count = 0;
		let figures = sledFigures(sled, payload, state, null);
		while (!figures.placed && count < 4) {
			const slip = sledSlip(sled, state.setting, figures, count, 'metric');
			expect(slip.lines.length).toBeGreaterThan(0);
			state = { ...state, setting: slip.target };
			figures = sledFigures(sled, payload, state, null);
			count += 1;
		}
		expect(figures.placed).toBe(true);
		expect(count).toBeLessThanOrEqual(3);
		expect(figures.report.dropTimeS.fore).toBeGreaterThan(2.35);
		// Nothing was set past its travel.
		expect(settledOn(sled.geometry, state.setting)).toEqual(state.setting);
	});

	it('says a line for every move, coarse before fine, fore-aft before side, the gimbal last', () => {
		const from = dockedSetting(heavy.geometry);
		const to = {
			...from,
			coarseForeM: -0.012,
			fineForeM: 0.003,
			fineSideM: 0.0025,
			gimbalM: 0.6,
			items: { ...from.items, rearBattery: { foreM: 0.02, sideM: 0, upM: 0, tiltRad: 0 } }
		};
		expect(linesBetween(heavy.geometry, from, to, 'metric').map(lineInWords)).toEqual([
			'Slide the rear battery forward 20 mm',
			'Slide the camera plate back 12 mm',
			'Turn the fore-aft knob: 2 turns forward',
			'Turn the side knob: 2 turns left',
			'Set the gimbal down 220 mm'
		]);
	});

	it('a payload too heavy gets no move, and a wish out of reach the nearest and why', () => {
		const tooMuch = sledFigures(heavy, camera(20), start('heavy'), null);
		expect(sledSlip(heavy, start('heavy').setting, tooMuch, 0, 'metric').kind).toBe('tooHeavy');
		const hasty = { ...start('heavy'), dropTimeS: 0.3 };
		const slip = sledSlip(heavy, hasty.setting, sledFigures(heavy, camera(9), hasty, null), 0, 'metric');
		expect(slip.short).toMatch(/is the nearest/);
	});

	it('a weight may be the cure, where it is allowed', () => {
		const state = { ...start('heavy'), movers: ['weight'] };
		const figures = sledFigures(heavy, camera(9), state, null);
		const weighted = figures.cures.filter(({ kind }) => kind === 'addMass');
		expect(weighted.length).toBeGreaterThan(0);
		const target = targetOf(heavy.geometry, state.setting, figures, weighted[0]!);
		expect(target.weights).toHaveLength(1);
	});
});

describe('what was seen', () => {
	const setting = { ...dockedSetting(heavy.geometry), gimbalM: 0.72 };
	const payload = camera(9);
	const at = { setting, payloadVersion: 1 };

	it('a lean forward moves the plate back, further the surer it was seen', () => {
		const rest: SledSeen = { ...at, kind: 'rest', plane: 'fore', leanRad: 0.5, sigmaRad: 0.01 };
		const way: SledSeen = { ...at, kind: 'way', plane: 'fore', way: 1 };
		const wrong = (seen: SledSeen) => estimateFromSeen(heavy.geometry, payload, [seen])!.correction.firstMomentKgM[0];
		expect(wrong(rest)).toBeGreaterThan(wrong(way));
		expect(estimateFromSeen(heavy.geometry, payload, [])).toBeNull();
	});

	it('a drop slower than foretold lowers the drop height', () => {
		const { fore } = sledReport({ sled: sledOf(heavy.geometry, setting, payload) }).dropTimeS;
		const drop: SledSeen = {
			...at,
			kind: 'drop',
			plane: 'fore',
			dropTimeS: (fore ?? 2) + 0.5,
			sigmaS: 0.02,
			runsS: []
		};
		const estimate = estimateFromSeen(heavy.geometry, payload, [drop]);
		const figures = sledFigures(heavy, payload, { ...start('heavy'), setting }, estimate);
		expect(figures.report.dropTimeS.fore!).toBeGreaterThan((fore ?? 2) + 0.3);
	});
});

describe('settings', () => {
	it('the plate goes by knob where the knob reaches, else by clamp in whole millimetres', () => {
		const from = dockedSetting(heavy.geometry);
		expect(plateMove(heavy.geometry, from, 0.004)).toEqual({ coarseForeM: 0, fineForeM: 0.004 });
		const far = plateMove(heavy.geometry, from, -0.0473);
		expect(far.coarseForeM).toBe(-0.047);
		expect(far.coarseForeM + far.fineForeM).toBeCloseTo(-0.0473, 9);
		const past = plateMove(heavy.geometry, from, 0.5);
		expect(past).toEqual({ coarseForeM: 0.09, fineForeM: 0.02 });
	});

	it('what is kept of an older sled is brought within the travels of the present one', () => {
		const kept = { ...dockedSetting(heavy.geometry), gimbalM: 3, coarseForeM: -1, items: {} };
		const now = settledOn(heavy.geometry, kept);
		expect(now.gimbalM).toBe(heavy.geometry.gimbalM[1]);
		expect(now.coarseForeM).toBe(heavy.geometry.stage.coarseForeM[0]);
		expect(Object.keys(now.items)).toHaveLength(heavy.geometry.items.length);
	});

	it('ranges are counted from where things stand, and swing arms go round', () => {
		const setting = { ...dockedSetting(heavy.geometry), coarseForeM: 0.03 };
		const [low, high] = rangesFrom(heavy.geometry, setting).camera!.foreM!;
		expect([low, high].map((end) => Math.round(end * 1000))).toEqual([-140, 80]);
		expect(swingRad(0.2, 0)).toBe(0);
		expect(swingRad(0.2, 0.2)).toBeCloseTo(Math.PI / 2, 12);
	});
});

describe('advice', () => {
	it('lies between 2 and 4 s, and names both where shots pull apart', () => {
		expect(dropAdvice([]).dropTimeS).toBe(2.5);
		expect(dropAdvice(['whipPans']).dropTimeS).toBe(2);
		const both = dropAdvice(['tilts', 'whipPans']);
		expect(both.dropTimeS).toBeCloseTo(2.6, 9);
		expect(both.reason).toContain('whip pans quick');
		expect(leanToleranceRad(['tilts', 'whipPans'])).toBeLessThan(leanToleranceRad(['tilts']));
	});
});
