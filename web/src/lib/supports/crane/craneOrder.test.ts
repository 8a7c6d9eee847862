import { craneMoment } from '@poise/core';
import { describe, expect, it } from 'vitest';
import { bodies, payload } from '$lib/testing/scenario';
import { crane, craneState } from '$lib/testing/crane';
import { choicesFor, countedLooks, craneFigures, driftCurve, leastReserve } from './figures';
import type { CraneLook, CraneStep } from './model';
import { checkedOrder, type Order, type OrderRow, refusalInWords, sharedOut, tippingInWords } from './order';
import { settledOn } from './standing';
import { levelGround, usualLoading, usualUnloading } from './state';

const on = crane('sectional');
const cine = bodies(payload('Cine'));
const bare = craneState(on);
const [choice] = choicesFor(on.geometry, bare.setting, cine, bare.noseBiasKg);
const state = {
	...bare,
	setting: settledOn(on.geometry, {
		...bare.setting,
		hung: choice!.plates.map(({ count }) => count),
		trimU: choice!.trimUM
	})
};
const figures = craneFigures(on, cine, state);
const order = (steps: readonly CraneStep[] = usualLoading, loading = true, ground = state.ground) =>
	checkedOrder(on.geometry, state.setting, cine, figures, steps, loading, 'metric', ground);

describe('plates shared out over the steps that hang them', () => {
	const plates = [
		{ massKg: 10, count: 9 },
		{ massKg: 20, count: 9 },
		{ massKg: 5, count: 9 }
	];
	const step = (id: string, share?: number): CraneStep => ({
		...{ id, what: 'plates', on: true, held: true },
		...(share === undefined ? {} : { share })
	});
	const shared = (hung: readonly number[], ...shares: (number | undefined)[]) =>
		sharedOut(
			{ plates },
			hung,
			shares.map((share, index) => step(String(index), share))
		);
	it('whole ones, large first, as near to the share as they come, the last having what is left', () => {
		expect(shared([2, 2, 1], 0.5, 0.5)).toEqual([
			[1, 1, 0],
			[1, 1, 1]
		]);
		expect(shared([2, 2, 1], 0.6, 0.4)).toEqual([
			[1, 1, 1],
			[1, 1, 0]
		]);
		expect(shared([2, 2, 1])).toEqual([]);
		expect(shared([2, 2, 1], undefined)).toEqual([[2, 2, 1]]);
		expect(shared([1, 1, 1], 0.3, 0.3, 0.4)).toEqual([
			[1, 0, 0],
			[0, 0, 1],
			[0, 1, 0]
		]);
		expect(shared([0, 3, 0], 0.5, 0.5)).toEqual([
			[0, 1, 0],
			[0, 2, 0]
		]);
		// More than half a plate is nearer to one more than to none.
		expect(shared([0, 3, 0], 0.52, 0.48)).toEqual([
			[0, 2, 0],
			[0, 1, 0]
		]);
		expect(shared([0, 0, 0], 0.5, 0.5)).toEqual([
			[0, 0, 0],
			[0, 0, 0]
		]);
	});
	it('every plate goes on once, however it is shared', () => {
		for (const shares of [
			[0.1, 0.9],
			[0.33, 0.33, 0.34],
			[0.9, 0.05, 0.05],
			[0.01, 0.99]
		]) {
			const all = shared([3, 4, 2], ...shares);
			const sum = [0, 1, 2].map((kind) => all.reduce((total, each) => total + each[kind]!, 0));
			expect(sum).toEqual([3, 4, 2]);
			expect(all.flat().every((count) => count >= 0)).toBe(true);
		}
	});
});

describe('each step of an order', () => {
	it('is said in the words of the hand, on and off, and who keeps clear', () => {
		const on_ = order().rows.map(({ step, words, clear }) => [step.what, words, clear]);
		const off = order(usualUnloading, false).rows.map(({ step, words, clear }) => [step.what, words, clear]);
		for (const [what, words, clear] of on_) {
			if (what === 'bare') expect([words, clear]).toEqual(['Arm on its base, pinned', false]);
			if (what === 'head') expect([words, clear]).toEqual(['Head on', false]);
			if (what === 'camera') expect([words, clear]).toEqual(['Camera on, locked and tried', true]);
			if (what === 'trim') expect([words, clear]).toEqual(['Trim weight on', false]);
			if (what === 'plates') expect([String(words).startsWith('Hang '), clear]).toEqual([true, false]);
			if (what === 'free') expect([words, clear]).toEqual(['Let go, slowly', true]);
		}
		expect(new Set(on_.map(([what]) => what)).size).toBeGreaterThanOrEqual(5);
		const said = off.map(([, words]) => words);
		for (const words of ['Head off', 'Camera off', 'Hold the arm']) expect(said).toContain(words);
		expect(said.some((words) => String(words).startsWith('Take off '))).toBe(true);
	});
	it('a free step adds nothing, and what is held is held at the heavier end with that much', () => {
		for (const row of [...order().rows, ...order(usualUnloading, false).rows]) {
			const kg = Math.abs(row.momentNm) / 9.80665;
			expect(row.atNoseKg).toBeCloseTo(kg / figures.noseU, 9);
			expect(row.atTailKg).toBeCloseTo(kg / on.geometry.rear.lengthM, 9);
			if (!row.step.held) expect(row.holds).toBe('nobody holds');
			else expect(row.holds).toMatch(row.momentNm > 0 ? /^one holds the nose up: / : /^one holds the tail up: /);
			// Held, nothing of what is out of balance turns the base; let go, all of it does.
			expect(row.letGo).toBeLessThanOrEqual(row.reserve + 0.02);
			if (!row.step.held) expect(row.reserve).toBe(row.letGo);
		}
		const plates = order().rows.filter(({ step }) => step.what === 'plates');
		expect(plates.some(({ momentNm }) => momentNm < 0) || plates.every(({ momentNm }) => momentNm > 0)).toBe(true);
		const hung = usualLoading.filter(({ what }) => what === 'plates' || what === 'bare');
		const tail = order(hung).rows.at(-1)!;
		expect(tail.momentNm).toBeLessThan(0);
		expect(tail.holds).toMatch(/^one holds the tail up: /);
		const shown = Number(/([\d.]+) kg$/.exec(tail.holds)![1]);
		expect(shown).toBeCloseTo(tail.atTailKg, 1);
	});
	it('what is off is off: unloading undoes loading step by step', () => {
		const moments = (which: Order) => which.rows.map(({ momentNm }) => momentNm);
		const there = moments(order());
		const back = moments(order(usualUnloading, false));
		expect(back.at(-1)).toBeCloseTo(there[0]!, 6);
		expect(there.at(-1)).toBeCloseTo(craneMoment({ arm: figures.arm, boomRad: 0 }).momentNm[0]!, 6);
	});
	it('a head and a camera that are not both in the order never stand in each other’s way', () => {
		const without = (what: CraneStep['what'], steps = usualLoading) => steps.filter((step) => step.what !== what);
		expect(order(without('head')).impossible).toBeNull();
		expect(order(without('camera')).impossible).toBeNull();
		expect(order(without('head', usualUnloading), false).impossible).toBeNull();
		expect(order(without('camera', usualUnloading), false).impossible).toBeNull();
	});
});

describe('what it says where it tips', () => {
	const row = (next: Partial<OrderRow>): OrderRow => ({ ...order().rows[0]!, words: 'Head on', ...next });
	it.each([
		[-0.1, 'Not safe as drawn: after “Head on” it tips with'],
		[0, 'Not safe as drawn: after “Head on” it tips with'],
		[0.04, 'Nearly tipping: after “Head on” only 4 % of reserve is left with']
	])('with %d of reserve: %s', (reserve, words) => {
		expect(tippingInWords({ ...order(), shakiest: row({ reserve }) })).toContain(words);
	});
	it('why a step is refused: which end swings down, with how much', () => {
		const nose = refusalInWords(row({ momentNm: 100, atNoseKg: 2, atTailKg: 7 }), 'metric');
		expect(nose).toContain('it swings nose down with 2.00 kg at its nose.');
		const tail = refusalInWords(row({ momentNm: -100, atNoseKg: 2, atTailKg: 7 }), 'metric');
		expect(tail).toContain('it swings tail down with 7.00 kg at its tail.');
	});
	it('the least reserve of all steps decides', () => {
		const windy = order(usualLoading, true, { ...levelGround, pushN: 900 });
		expect(windy.shakiest.reserve).toBe(Math.min(...windy.rows.map(({ reserve }) => reserve)));
		expect(windy.tips).toBe(windy.shakiest.reserve < leastReserve);
		expect(windy.hangsOnHand?.letGo ?? 1).toBe(windy.rows.find(({ letGo }) => letGo < leastReserve)?.letGo ?? 1);
	});
});

describe('what was seen of the arm', () => {
	const look = (what: CraneLook['what'], next: Partial<CraneLook> = {}, setting = state.setting): CraneLook => ({
		...{ what, setting, payloadVersion: 1 },
		...next
	});
	const of = (looks: readonly CraneLook[], next: Partial<typeof state> = {}) =>
		craneFigures(on, cine, { ...state, ...next }, looks);
	it('counts of this build, not struck, and not while the drawing is believed', () => {
		const looks = [look('stays'), look('sinks', { struck: true }), look('rises', { payloadVersion: 2 })];
		expect(countedLooks({ looks }, 1)).toEqual([looks[0]]);
		expect(countedLooks({ looks }, 2)).toEqual([looks[2]]);
		expect(countedLooks({ looks, believeDrawing: true }, 1)).toEqual([]);
		expect(countedLooks({ looks, believeDrawing: false }, 1)).toEqual([looks[0]]);
		expect(countedLooks({} as never, 1)).toEqual([]);
	});
	it('is of this hanging alone: plates, trim, sections and what is pulled out', () => {
		expect(of([look('stays')])).toMatchObject({ seen: 'stays', poised: true });
		expect(of([look('stays'), look('sinks')])).toMatchObject({ seen: 'sinks', poised: false });
		expect(of([]).seen).toBeNull();
		const { hung, trimU, pulledOutM, fitted } = state.setting;
		for (const next of [
			{ hung: hung.map((count, index) => count + (index === 0 ? 1 : 0)) },
			{ trimU: trimU + 0.0016 },
			{ trimU: trimU - 0.0016 },
			{ pulledOutM: pulledOutM + 0.0011 },
			{ fitted: fitted.slice(0, -1) }
		])
			expect([next, of([look('stays', {}, { ...state.setting, ...next })]).seen]).toEqual([next, null]);
		for (const next of [{ trimU: trimU + 0.0014 }, { pulledOutM: pulledOutM + 0.0009 }, { boomRad: 0.4 }])
			expect(of([look('stays', {}, { ...state.setting, ...next })]).seen).toBe('stays');
	});
	it('what stayed though the figures have it out says what nobody wrote down, where it was and how much', () => {
		const heavier = { ...state.setting, trimU: state.setting.trimU - 0.3 };
		const stood = of([look('stays', {}, heavier)], { setting: heavier });
		// The trim weight 0.3 m further back balances so much at the nose that is not written.
		const unwritten = (on.geometry.trim.massKg * 0.3) / figures.noseU;
		expect(stood.unwrittenKg).toBeCloseTo(unwritten + (state.noseBiasKg - figures.noseKg), 6);
		expect(stood.unwrittenKg).toBeGreaterThan(0);
		expect(stood.balanced).toBe(true);
		const lighter = { ...state.setting, trimU: state.setting.trimU + 0.3 };
		const tail = of([look('stays', {}, lighter)], { setting: lighter });
		expect(tail.unwrittenKg).toBeLessThan(0);
		expect(tail.balanced).toBe(true);
		// It goes with the arm: of another length, or where it sank, it says nothing.
		expect(of([look('sinks', {}, heavier)]).unwrittenKg).toBe(0);
		expect(of([look('stays', {}, { ...heavier, fitted: heavier.fitted.slice(0, -1) })]).unwrittenKg).toBe(0);
		expect(of([look('stays', {}, { ...heavier, pulledOutM: heavier.pulledOutM + 0.0011 })]).unwrittenKg).toBe(0);
		// Within the push that moves it, it says nothing either.
		expect(of([look('stays')]).unwrittenKg).toBe(0);
	});
	it('the band is the push that moves it, and never finer than a hand', () => {
		expect(of([], { pushMovesKg: 0 }).noseBandKg).toBe(0.01);
		const rough = of([], { pushMovesKg: 0.4 });
		expect(rough.noseBandKg).toBe(0.4);
		expect(rough.frictionNm).toBeCloseTo(0.4 * 9.80665 * rough.noseU, 9);
		expect(rough.freeLimitNm).toBeCloseTo(9.80665 * rough.noseU * (Math.abs(state.noseBiasKg) + 0.4), 9);
		expect(of([], { pushMovesKg: 50 }).staysThroughout).toBe(true);
		expect(rough.staysThroughout).toBe(rough.noseAtEndsKg.every((kg) => Math.abs(kg) <= 0.4));
		expect(of([], { pushMovesKg: 0, noseBiasKg: 5 }).balanced).toBe(false);
	});
	it('at both ends of the boom it says what pulls at the nose beside what is wanted', () => {
		const { boomRangeRad } = on.geometry;
		figures.noseAtEndsKg.forEach((kg, end) => {
			const boomRad = boomRangeRad[end]!;
			const [moment] = craneMoment({ arm: figures.arm, boomRad }).momentNm;
			expect(kg).toBeCloseTo(moment! / (9.80665 * figures.noseU * Math.cos(boomRad)) - state.noseBiasKg, 9);
		});
		const curve = driftCurve(figures, on.geometry);
		expect(curve).toHaveLength(41);
		expect([curve[0]![0], curve[40]![0]]).toEqual([boomRangeRad[0], boomRangeRad[1]]);
		for (const [boomRad, moment] of curve)
			expect(moment).toBeCloseTo(craneMoment({ arm: figures.arm, boomRad }).momentNm[0]!, 9);
	});
	it('fits by what the payload weighs, both ends of the range within it', () => {
		const kg = cine.reduce((sum, { body }) => sum + body.massKg, 0);
		const fit = (leastPayloadKg: number, greatestPayloadKg: number) =>
			craneFigures({ ...on, leastPayloadKg, greatestPayloadKg }, cine, state).fit;
		expect([fit(kg, kg), fit(kg + 1e-6, 99), fit(0, kg - 1e-6)]).toEqual(['within', 'tooLight', 'tooHeavy']);
		expect(figures.payloadKg).toBeCloseTo(kg, 12);
		expect(figures.armKg).toBeCloseTo(
			figures.arm.parts.reduce((sum, { massKg }) => sum + massKg, 0),
			12
		);
	});
});

describe('the search for weights', () => {
	it('is not made again for what does not change it, is for what does, and never answers for another', () => {
		const of = (next: Partial<typeof state> = {}, setting = {}) =>
			craneFigures(on, cine, { ...state, ...next, setting: { ...state.setting, ...setting } }).choices;
		const first = of();
		expect(of({ ground: { ...levelGround, windMPerS: 9 } })).toBe(first);
		expect(of({}, { boomRad: 0.3, swingRad: 1, hung: state.setting.hung.map(() => 0) })).toBe(first);
		const heavier = of({ noseBiasKg: state.noseBiasKg + 1 });
		expect(heavier).not.toBe(first);
		expect(heavier).not.toEqual(first);
		// More questions than are remembered: the first is asked anew, and answered the same.
		for (let bias = 1; bias <= 40; bias += 1) of({ noseBiasKg: bias / 100 });
		expect(of()).not.toBe(first);
		expect(of()).toEqual(first);
		const plates = on.geometry.plates.map((plate) => ({ ...plate, count: 1 }));
		expect(craneFigures({ ...on, geometry: { ...on.geometry, plates } }, cine, state).choices).not.toEqual(first);
	});
});
