import fc from 'fast-check';
import { railLoads } from '@poise/core';
import { describe, expect, it } from 'vitest';
import { bodies, payload, shelf } from '$lib/testing/scenario';
import { standingParts, type Payload } from '$lib/model/payload';
import { boxesOn } from './boxes';
import { countedLooks, leastBearingN, sliderFigures } from './figures';
import type { Slider, SliderLook, SliderSetting } from './model';
import { sliderFromPattern, sliderPatterns } from './patterns';
import { sliderSlip } from './slip';
import { freshSetting, roomFor, settledOn } from './standing';
import { freshSliderState } from './state';
import { sliderStation } from './station';
import { benchAsLogged, linesBack } from './sliderCompare';

const pattern = (id: string) => sliderPatterns.find((each) => each.id === id)!;
const slider = (id = 'middle'): Slider => ({ id, version: 1, ...sliderFromPattern(pattern(id), 'Rail') });
const middle = slider();
const wide = bodies(payload('wide'));
const cine = bodies(payload('Cine'));
const standing = (of: Payload) => standingParts(of, new Map(shelf.map((part) => [part.id, part])));
const figures = (setting: Partial<SliderSetting> = {}, on = middle, load = wide, looks: SliderLook[] = []) =>
	sliderFigures(on, load, { ...freshSetting(on.geometry), ...setting }, looks);

describe('what a slider bears', () => {
	it('is the same as the core says, for what stands on it, at both ends and where the carriage is', () => {
		const made = figures({ atM: 0.5 });
		const { rail, carriage } = middle.geometry;
		const at = (atM: number) =>
			railLoads({
				railKg: rail.massKg,
				lengthM: rail.lengthM,
				carriedKg: made.carriedKg,
				atM,
				overhangM: made.overhangM,
				standoffM: made.standoffM,
				supportsM: freshSetting(middle.geometry).supportsM,
				inclineRad: 0
			}).supportsN;
		expect(made.now.supportsN).toEqual(at(0.5));
		expect(made.spansN[0]).toEqual([at(carriage.travelM[1])[0], at(carriage.travelM[0])[0]]);
		expect(made.spansN[1]).toEqual([at(carriage.travelM[0])[1], at(carriage.travelM[1])[1]]);
	});

	it('lifts the support at the start when a heavy camera reaches the far end, and says so of that one', () => {
		const heavy = figures({}, middle, cine);
		const lifts = heavy.wrong.filter((each) => each.kind === 'lifts');
		expect(lifts.map((each) => each.kind === 'lifts' && [each.support, each.atM])).toEqual(
			expect.arrayContaining([[0, middle.geometry.carriage.travelM[1]]])
		);
		expect(heavy.placed).toBe(false);
		// What the drawing of the load does: forward along the rail goes to the far end, hung under it goes below.
		expect(figures({ looks: 'along', reachM: 0.2 }).overhangM).toBeGreaterThan(figures({ looks: 'along' }).overhangM);
		expect(figures({ hung: true }).standoffM).toBeLessThan(0);
		expect(figures().standoffM).toBeGreaterThan(0);
	});

	it('looking across, a camera heavy to its right is heavy to the far end, and hung the other way round', () => {
		const right = wide.map((each) => ({
			...each,
			body: { ...each.body, cgM: [each.body.cgM[0], each.body.cgM[1] - 0.05, each.body.cgM[2]] as const }
		}));
		expect(figures({}, middle, right).overhangM).toBeGreaterThan(figures().overhangM + 0.02);
		expect(figures({ hung: true }, middle, right).overhangM).toBeLessThan(figures({ hung: true }).overhangM - 0.02);
	});

	it('asks for supports further out that then bear wherever the carriage is', () =>
		fc.assert(
			fc.property(
				fc.double({ min: 0.15, max: 0.45, noNaN: true }),
				fc.double({ min: 0.55, max: 0.85, noNaN: true }),
				fc.double({ min: -0.4, max: 0.4, noNaN: true }),
				fc.boolean(),
				(near, far, inclineRad, hung) => {
					const length = middle.geometry.rail.lengthM;
					const setting = { supportsM: [near * length, far * length] as const, inclineRad, hung };
					const { widerM, wrong } = figures(setting);
					if (widerM === null || !wrong.some(({ kind }) => kind === 'lifts')) return;
					const wider = figures({ ...setting, supportsM: widerM });
					expect(wider.wrong.filter(({ kind }) => kind === 'lifts')).toEqual([]);
					for (const [leastN] of wider.spansN) expect(leastN).toBeGreaterThanOrEqual(leastBearingN);
				}
			)
		));

	it('says over which part of the travel nothing lifts, and outside it something does', () => {
		const made = figures({}, middle, cine);
		expect(made.keepsDownM).not.toBeNull();
		const [from, to] = made.keepsDownM!;
		const least = (atM: number) => Math.min(...figures({ atM }, middle, cine).now.supportsN);
		expect(least(from + 0.001)).toBeGreaterThanOrEqual(leastBearingN - 0.2);
		expect(least(to - 0.001)).toBeGreaterThanOrEqual(leastBearingN - 0.2);
		expect(least(to + 0.01)).toBeLessThan(leastBearingN);
		expect(least(from - 0.01)).toBeLessThan(leastBearingN);
	});

	it('is checked against what its makers say, each by itself, and against nothing that nobody said', () => {
		const said = (geometry: Partial<Slider['geometry']>): Slider => ({
			...middle,
			geometry: { ...middle.geometry, ...geometry }
		});
		const kinds = (on: Slider, setting: Partial<SliderSetting>) => figures(setting, on).wrong.map(({ kind }) => kind);
		const one = { supportsM: [0.6] as const };
		expect(kinds(said({ clampHoldsNm: 1 }), one)).toContain('turns');
		expect(kinds(said({ clampHoldsNm: null }), one)).not.toContain('turns');
		expect(kinds(said({ supportBearsN: 20 }), {})).toContain('bears');
		expect(kinds(said({ supportBearsN: null }), {})).not.toContain('bears');
		const steep = { inclineRad: 1.2, supportsM: [0.05, 1.15] as const };
		const holds = (holdsN: number | null) => said({ carriage: { ...middle.geometry.carriage, holdsN } });
		expect(kinds(holds(5), steep)).toContain('slides');
		expect(kinds(holds(null), steep)).not.toContain('slides');
		expect(kinds(said({ clampsDown: true }), { supportsM: [0.5, 0.7] })).not.toContain('lifts');
	});
});

describe('what nobody has said', () => {
	const silent: Slider = {
		...middle,
		greatestPayloadKg: 20,
		geometry: {
			...middle.geometry,
			carriage: { ...middle.geometry.carriage, holdsN: null },
			supportBearsN: null,
			clampHoldsNm: null,
			clampsDown: true
		}
	};
	it.each([
		['a clamp that is turned', { supportsM: [0.2] as const }, 'clamp'],
		['a carriage on a slope', { inclineRad: 0.5 }, 'drive'],
		['clamps that pull the rail down', { supportsM: [0.5, 0.7] as const }, 'clamps']
	])('of %s is no yes', (_what, change, what) => {
		const setting = { ...freshSetting(silent.geometry), ...change };
		const made = sliderFigures(silent, cine, setting, []);
		expect(made.wrong.map((each) => each.kind === 'unsaid' && each.what)).toContain(what);
		const slip = sliderSlip(silent, setting, made, 'metric');
		expect([made.placed, slip.kind]).toEqual([false, 'wrong']);
		expect(slip.troubles.join(' ')).toContain('nobody has said');
	});
	it('does not matter where nothing has to be held', () => {
		const level = sliderFigures(silent, wide, freshSetting(silent.geometry), []);
		expect([level.wrong, level.placed]).toEqual([[], true]);
	});
});

describe('the boxes on the rail', () => {
	const parts = standing(payload('wide'));
	const setting = { ...freshSetting(middle.geometry), atM: 0.5 };
	const spans = (change: Partial<SliderSetting>) => {
		const boxes = boxesOn(middle.geometry, { ...setting, ...change }, parts);
		const of = (pick: (box: (typeof boxes)[number]) => number) => boxes.map(pick);
		return {
			low: Math.min(...of(({ fromM }) => fromM[1])),
			high: Math.max(...of(({ toM }) => toM[1])),
			near: Math.min(...of(({ fromM }) => fromM[0])),
			far: Math.max(...of(({ toM }) => toM[0]))
		};
	};
	it('stand on the plate, or hang under it', () => {
		expect(spans({}).low).toBeCloseTo(middle.geometry.carriage.plateM, 6);
		expect(spans({ hung: true }).high).toBeCloseTo(-middle.geometry.carriage.plateM, 6);
	});
	it('reach ahead along the rail with the lens, and no further than the camera is wide across it', () => {
		const along = spans({ looks: 'along' });
		expect(along.far - 0.5).toBeGreaterThan(0.5 - along.near);
		expect(spans({}).far - spans({}).near).toBeLessThan(along.far - along.near);
		expect(spans({ reachM: 0.2 }).far).toBeCloseTo(spans({}).far + 0.2, 9);
	});
});

describe('what was seen of a slider', () => {
	const setting = freshSetting(slider('long').geometry);
	const look = (what: SliderLook['what'], more: Partial<SliderLook> = {}): SliderLook => ({
		what,
		setting,
		payloadVersion: 3,
		...more
	});
	const long = slider('long');
	const seen = (...looks: SliderLook[]) => sliderFigures(long, cine, setting, looks);

	it('makes it poised; computed alone it is only in place', () => {
		expect([seen().placed, seen().poised]).toEqual([true, false]);
		expect([seen(look('stays')).poised, sliderStation(seen(look('stays'))).words]).toEqual([true, 'poised']);
		expect(sliderSlip(long, setting, seen(), 'metric').kind).toBe('placed');
		expect(sliderSlip(long, setting, seen(look('stays')), 'metric').kind).toBe('poised');
	});

	it('counts against the figures: what was seen to lift is not called in place', () => {
		const lifted = seen(look('startLifts'));
		expect(lifted.poised).toBe(false);
		const slip = sliderSlip(long, setting, lifted, 'metric');
		expect([slip.kind, slip.why]).toEqual(['wrong', expect.stringContaining('what was seen counts')]);
	});

	it('speaks of this build and this stand only, and not when it is struck out', () => {
		const counted = (one: SliderLook) => countedLooks({ looks: [one], setting }, 3).length;
		expect(counted(look('stays'))).toBe(1);
		expect(counted(look('stays', { payloadVersion: 2 }))).toBe(0);
		expect(counted(look('stays', { struck: true }))).toBe(0);
		expect(counted(look('stays', { setting: { ...setting, supportsM: [0.3, 1.9] } }))).toBe(0);
		expect(counted(look('stays', { setting: { ...setting, inclineRad: 0.2 } }))).toBe(0);
		// The carriage is walked to look.
		expect(counted(look('stays', { setting: { ...setting, atM: 0.4 } }))).toBe(1);
	});
});

describe('a slider that has changed since', () => {
	it('leaves each support room that ends short of the other', () => {
		const two = { supportsM: [0.3, 0.9] as const };
		expect(roomFor(middle.geometry, two, 0)).toEqual([0, expect.closeTo(0.8, 9)]);
		expect(roomFor(middle.geometry, two, 1)).toEqual([expect.closeTo(0.4, 9), middle.geometry.rail.lengthM]);
		expect(roomFor(middle.geometry, { supportsM: [0.3] }, 0)).toEqual([0, middle.geometry.rail.lengthM]);
	});

	it('keeps supports on the rail, apart, and the nearer first', () => {
		const { geometry } = middle;
		const kept = { ...freshSetting(geometry), supportsM: [1.1, 0.2] as const };
		expect(settledOn(geometry, kept).supportsM).toEqual([0.2, 1.1]);
		const short = { ...geometry, rail: { ...geometry.rail, lengthM: 0.5 } };
		const settled = settledOn(short, kept).supportsM;
		expect(settled[1]!).toBeLessThanOrEqual(0.5);
		expect(settled[1]! - settled[0]).toBeGreaterThanOrEqual(0.1 - 1e-9);
		expect(settledOn(geometry, { ...kept, supportsM: [5] }).supportsM).toEqual([geometry.rail.lengthM]);
		expect(settledOn(geometry, { ...kept, atM: 9 }).atM).toBe(geometry.carriage.travelM[1]);
	});

	it('comes back from the logbook with the moves it takes, and none where it stands as logged', () => {
		const setting = { ...freshSetting(middle.geometry), supportsM: [0.1, 1.1] as const, inclineRad: 0.2 };
		const record = { setting, support: middle } as Parameters<typeof benchAsLogged>[0];
		expect(linesBack(record, setting, 'metric')).toEqual([]);
		expect(linesBack(record, freshSetting(middle.geometry), 'metric').map(({ id }) => id)).toEqual([
			'support-0',
			'support-1',
			'incline'
		]);
		const back = benchAsLogged(record, { ...freshSliderState(middle.geometry), slips: [['One']] }, ['Two']);
		expect([back.setting, back.slips]).toEqual([setting, [['One'], ['Two']]]);
	});
});
