import { sledReport } from '@poise/core';
import { describe, expect, it } from 'vitest';
import type { SledBenchState, SledSeen } from './model';
import { dropAdvice, leanToleranceRad } from './advice';
import { countedSeen, cureId, dropBandS, estimateFromSeen, type MountedBody, settable, sledFigures } from './figures';
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

describe('poised is what was seen, with everything standing as it stands', () => {
	const light = patterns.light!;
	const payload = camera(1.4);
	/** Balanced as computed, which takes up to three slips. */
	let state = start('light');
	for (let count = 0; count < 4; count += 1) {
		const figures = sledFigures(light, payload, state, null);
		if (figures.placed) break;
		state = { ...state, setting: sledSlip(light, state.setting, figures, count, 'metric').target };
	}
	const { setting } = state;
	const at = { setting, payloadVersion: 1 };
	const rest = (plane: 'fore' | 'side', leanRad: number): SledSeen => ({
		...{ ...at, kind: 'rest', plane, leanRad, sigmaRad: 0.02 }
	});
	const way = (plane: 'fore' | 'side', which: -1 | 0 | 1): SledSeen => ({ ...at, kind: 'way', plane, way: which });
	const drop = (dropTimeS: number, plane: 'fore' | 'side' = 'fore'): SledSeen => ({
		...{ ...at, kind: 'drop', plane, dropTimeS, sigmaS: 0.05, runsS: [dropTimeS] }
	});
	const spin = (plane: 'fore' | 'side', leanRad: number): SledSeen => ({
		...{ ...at, kind: 'spin', plane, leanRad, sigmaRad: 0.01, spinRadPerS: 6 }
	});
	const all = [way('fore', 0), way('side', 0), drop(2.5), spin('fore', 0), spin('side', 0)];
	const of = (seen: readonly SledSeen[], next: Partial<SledBenchState> = {}) =>
		sledFigures(light, payload, { ...state, ...next, seen }, null);

	it('computed alone it is placed; seen in all three it is poised; with one of them missing it is not', () => {
		expect(of([])).toMatchObject({ placed: true, poised: false, seen: { upright: false, drop: false, spin: false } });
		expect(of(all)).toMatchObject({ placed: true, poised: true, seen: { upright: true, drop: true, spin: true } });
		all.forEach((_, left) => {
			const { poised, placed } = of(all.filter((__, index) => index !== left));
			expect([left, placed, poised]).toEqual([left, true, false]);
		});
	});
	it('the last look of its kind counts, in each plane: leaned away after upright is not upright', () => {
		const upright = (...seen: SledSeen[]) => of(seen).seen.upright;
		expect(upright(way('fore', 0), way('side', 0))).toBe(true);
		expect(upright(way('fore', 0), way('side', 0), way('fore', 1))).toBe(false);
		expect(upright(way('fore', 1), way('side', -1), way('fore', 0), way('side', 0))).toBe(true);
		expect(upright(way('fore', 0), way('fore', 0))).toBe(false);
		const three = (3 * Math.PI) / 180;
		expect(upright(rest('fore', three - 1e-9), rest('side', -three + 1e-9))).toBe(true);
		expect(upright(rest('fore', three + 1e-4), rest('side', 0))).toBe(false);
		expect(upright(rest('fore', 0), rest('side', -three - 1e-4))).toBe(false);
		// A spin or a drop says nothing of how it stands.
		expect(upright(way('fore', 0), way('side', 0), spin('fore', 0.4), drop(1))).toBe(true);
	});
	it('a drop counts in its own plane, within the band of the wish; a spin within what an eye sees', () => {
		expect(of([drop(2.5 + dropBandS - 1e-9)]).seen.drop).toBe(true);
		expect(of([drop(2.5 - dropBandS + 1e-9)]).seen.drop).toBe(true);
		expect(of([drop(2.5 + dropBandS + 0.001)]).seen.drop).toBe(false);
		expect(of([drop(2.5 - dropBandS - 0.001)]).seen.drop).toBe(false);
		expect(of([drop(2.5), drop(4)]).seen.drop).toBe(false);
		expect(of([drop(2.5, 'side')]).seen.drop).toBe(false);
		const seen = (1.5 * Math.PI) / 180;
		expect(of([spin('fore', seen - 1e-9), spin('side', -seen + 1e-9)]).seen.spin).toBe(true);
		expect(of([spin('fore', seen + 1e-4), spin('side', 0)]).seen.spin).toBe(false);
		expect(of([spin('fore', 0), spin('side', -seen - 1e-4)]).seen.spin).toBe(false);
		expect(of([spin('fore', 0)]).seen.spin).toBe(false);
	});
	it('nothing seen counts once anything was moved: gimbal, post, plate, an item, a weight', () => {
		const [item] = Object.keys(setting.items);
		const moved: Partial<typeof setting>[] = [
			{ gimbalM: setting.gimbalM + 0.0004 },
			{ gimbalM: setting.gimbalM - 0.0004 },
			{ pulledOutM: setting.pulledOutM + 0.0004 },
			{ coarseForeM: setting.coarseForeM + 0.0004 },
			{ fineForeM: setting.fineForeM - 0.0004 },
			{ fineSideM: setting.fineSideM + 0.0004 },
			{ weights: [...setting.weights, { placeId: 'foot', massKg: 0.1 }] },
			...(['foreM', 'sideM', 'upM', 'tiltRad'] as const).map((field) => ({
				items: {
					...setting.items,
					[item!]: { ...setting.items[item!]!, [field]: setting.items[item!]![field] + 0.0004 }
				}
			})),
			{ items: { ...setting.items, more: { foreM: 0, sideM: 0, upM: 0, tiltRad: 0 } } }
		];
		for (const next of moved) {
			const now = of(all, { setting: { ...setting, ...next } });
			expect([next, now.seen]).toEqual([next, { upright: false, drop: false, spin: false }]);
			expect(now.poised).toBe(false);
		}
		// Within what a hand can tell it stands as it stood; coarse and fine make one place of the plate.
		const near = { ...setting, gimbalM: setting.gimbalM + 0.0002, fineSideM: setting.fineSideM - 0.0002 };
		expect(of(all, { setting: near }).seen.upright).toBe(true);
		const shared = { ...setting, coarseForeM: setting.coarseForeM + 0.002, fineForeM: setting.fineForeM - 0.002 };
		expect(of(all, { setting: shared }).seen.upright).toBe(true);
	});
	it('what counts of what was seen: of this build, not struck, and nothing while the drawing is believed', () => {
		const seen = [way('fore', 0), { ...way('side', 0), struck: true }, { ...drop(2.5), payloadVersion: 2 }];
		expect(countedSeen({ seen }, 1)).toEqual([seen[0]]);
		expect(countedSeen({ seen }, 2)).toEqual([seen[2]]);
		expect(countedSeen({ seen, believeDrawing: false }, 1)).toEqual([seen[0]]);
		expect(countedSeen({ seen, believeDrawing: true }, 1)).toEqual([]);
	});
	it('each of the three must be right as computed too: one that is out is enough', () => {
		const out = (next: Partial<typeof setting>, more: Partial<SledBenchState> = {}) => {
			const { staticGood, dropGood, spinGood, placed, poised } = of([], { setting: { ...setting, ...next }, ...more });
			expect(placed).toBe(staticGood && dropGood && spinGood);
			expect(poised).toBe(false);
			return [staticGood, dropGood, spinGood];
		};
		expect(out({})).toEqual([true, true, true]);
		expect(out({ fineForeM: setting.fineForeM + 0.004 })[0]).toBe(false);
		expect(out({ fineSideM: setting.fineSideM - 0.006 })[0]).toBe(false);
		expect(out({}, { dropTimeS: 2.5 + 4 * dropBandS })).toEqual([true, false, true]);
		expect(out({}, { dropTimeS: 2.5 - 4 * dropBandS })).toEqual([true, false, true]);
		// Top-heavy there is no drop at all.
		const [least, greatest] = light.geometry.gimbalM;
		expect(out({ gimbalM: least })[1]).toBe(false);
		expect(greatest).toBeGreaterThan(least);
	});
	it('whoever wishes a cure gets it; right as it is, the parts are left alone', () => {
		const figures = of([]);
		expect(cureId(figures.cure)).toBe('leave');
		const names = figures.cures.map(cureId);
		expect(names.at(-1)).toBe('leave');
		expect(new Set(names).size).toBe(names.length);
		expect(cureId(of([], { cureId: names[0]! }).cure)).toBe(names[0]);
		const out = { ...start('light'), movers: state.movers };
		const far = sledFigures(light, payload, out, null);
		if (!far.spinGood) expect(far.cure).toBe(far.cures[0]);
		expect(sledFigures(light, payload, { ...out, cureId: 'nosuch' }, null).cure).toEqual(far.cures[0]);
	});
	it('fits by its mass, both ends of the range within it', () => {
		const kg = payload.reduce((sum, { body }) => sum + body.massKg, 0);
		const fit = (leastPayloadKg: number, greatestPayloadKg: number) =>
			sledFigures({ ...light, leastPayloadKg, greatestPayloadKg }, payload, state, null).fit;
		expect([fit(kg, kg + 1), fit(0, kg), fit(kg + 0.001, 9), fit(0, kg - 0.001)]).toEqual([
			'within',
			'within',
			'tooLight',
			'tooHeavy'
		]);
	});
	it('is set as a hand can: half millimetres, and quarter turns of both knobs', () => {
		const { foreMPerTurn, sideMPerTurn } = light.geometry.stage;
		const set = settable(light.geometry, {
			...setting,
			...{ gimbalM: 0.60033, fineForeM: 1.3 * foreMPerTurn, fineSideM: -0.6 * sideMPerTurn },
			items: { battery: { foreM: 0.00071, sideM: -0.0002, upM: 0.0003, tiltRad: 0.123 } }
		});
		expect(set.gimbalM).toBeCloseTo(0.6005, 12);
		expect(set.fineForeM).toBeCloseTo(1.25 * foreMPerTurn, 12);
		expect(set.fineSideM).toBeCloseTo(-0.5 * sideMPerTurn, 12);
		expect(set.items['battery']!.foreM).toBeCloseTo(0.0005, 12);
		expect(Math.abs(set.items['battery']!.sideM)).toBe(0);
		expect(set.items['battery']!.upM).toBeCloseTo(0.0005, 12);
		expect(set.items['battery']!.tiltRad).toBe(0.123);
	});
});
