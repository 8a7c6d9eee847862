import type { CounterweightChoice } from '@poise/core';
import { describe, expect, it } from 'vitest';
import { bodies, payload } from '$lib/testing/scenario';
import { crane, craneState } from '$lib/testing/crane';
import { craneFigures, type CraneFigures, leastReserve } from './figures';
import { craneSlip, dangerOf, degreesSigned, linesBetween, pullsInWords, staysInWords } from './slip';

const on = crane('sectional');
const state = craneState(on);
const base = craneFigures(on, bodies(payload('Cine')), state);
const steady = { ...base.envelope, reserve: 0.6 };
/** What stands on the slip with these figures instead; nothing left to hang unless the choice says so. */
const still: CounterweightChoice = {
	...base.choice,
	plates: base.choice.plates.map((plate, index) => ({ ...plate, count: state.setting.hung[index] ?? 0 })),
	trimUM: state.setting.trimU,
	remainingUKgM: 0
};
const quiet: Partial<CraneFigures> = {
	...{ balanced: true, poised: false, seen: null, noseKg: 0, noseBandKg: 0.05, staysThroughout: true },
	...{ choice: still, envelope: steady, envelopeThen: steady, fit: 'within' }
};
const slipOf = (next: Partial<CraneFigures> = {}, more: Partial<typeof state> = {}) =>
	craneSlip(on, { ...state, ...more }, { ...base, ...quiet, ...next }, 'metric');

describe('how heavy the nose is, in words', () => {
	it.each([
		[0.04, 0, 'The nose is 40 g heavy, as wanted.'],
		[-0.04, 0, 'The nose is 40 g light, as wanted.'],
		[0, 0, 'The nose is 0 g heavy, as wanted.'],
		[0.05, 0, 'The nose is 50 g heavy, as wanted.'],
		[0.35, 0.3, 'The nose is 350 g heavy, as wanted.'],
		[0.3, 0, 'Now the nose is 300 g heavy; wanted 0 g heavy.'],
		[-0.3, 0.3, 'Now the nose is 300 g light; wanted 300 g heavy.'],
		[0.3, -0.3, 'Now the nose is 300 g heavy; wanted 300 g light.']
	])('nose %d kg with %d wanted: %s', (noseKg, noseBiasKg, words) => {
		expect(slipOf({ noseKg }, { noseBiasKg }).why).toContain(words);
	});
});

describe('what the slip says when nothing has to move', () => {
	it('placed, not yet let go; then seen to stay', () => {
		expect(slipOf()).toMatchObject({
			...{ kind: 'placed', heading: 'In place, as computed · not let go yet', lines: [], danger: null },
			target: state.setting
		});
		expect(slipOf({ poised: true, seen: 'stays' })).toMatchObject({
			...{ kind: 'poised', heading: 'Let go and seen to stay', lines: [] }
		});
		expect(slipOf({ poised: true, seen: 'stays' }).why).toContain('as wanted. It stays at every boom');
	});
	it('what was seen against the figures: sunk, the trim goes back; risen, forward', () => {
		const sunk = slipOf({ noseKg: 0.02, seen: 'sinks' });
		expect(sunk.kind).toBe('placed');
		expect(sunk.why).toBe(
			'The figures have the nose 20 g heavy; it was seen to sink. Something weighs other than written: slide the trim back a little, type where it stands, let go again. Where it stays, the figures follow.'
		);
		const risen = slipOf({ noseKg: -0.02, seen: 'rises' });
		expect(risen.why).toContain('the nose 20 g light; it was seen to rise.');
		expect(risen.why).toContain('slide the trim forward a little');
	});
	it('what tips is said first, whatever was seen', () => {
		const envelope = { ...steady, reserve: 0.05 };
		for (const poised of [true, false]) expect(slipOf({ envelope, poised }).kind).toBe('tips');
		expect(slipOf({ envelope }).danger).toContain('only 5 % of reserve');
	});
	it('out of balance with nothing left to hang: short, by so much and which way', () => {
		const short = (remainingUKgM: number) => slipOf({ balanced: false, choice: { ...still, remainingUKgM }, noseU: 4 });
		expect(short(2)).toMatchObject({ kind: 'short', heading: 'The plates at hand do not do it', lines: [] });
		expect(short(2).why).toContain('the nose stays 500 g heavy: bring more plates');
		expect(short(-2).why).toContain('the nose stays 500 g light');
		expect(short(0).why).toContain('0 g light');
	});
	it('too heavy for the head: by how much, and nothing else is advised', () => {
		const heavy = slipOf({ fit: 'tooHeavy', payloadKg: 60, staysThroughout: false });
		expect(heavy).toMatchObject({ kind: 'tooHeavy', lines: [], pulls: null, target: state.setting });
		expect(heavy.why).toMatch(/carries [\d.]+ kg at most, and this payload weighs 60\.00 kg\./);
	});
});

describe('what the slip says when something has to move', () => {
	const more: CounterweightChoice = {
		...still,
		plates: still.plates.map((plate, index) => ({ ...plate, count: plate.count + (index === 1 ? 2 : 0) }))
	};
	it('counts from one, names what is left over beyond the band, and judges the plan', () => {
		const move = (remainingUKgM: number, slips: readonly (readonly string[])[] = []) =>
			slipOf(
				{
					...{ balanced: false, choice: { ...more, remainingUKgM }, noseU: 4, noseKg: 2 },
					envelope: { ...steady, reserve: -1 }
				},
				{ slips }
			);
		expect(move(0)).toMatchObject({
			...{ kind: 'move', heading: 'Slip 1 · one holds the arm, nobody under it', danger: null, pulls: null },
			why: 'Now the nose is 2.00 kg heavy; wanted 50 g heavy.'
		});
		expect(move(0, [['one'], ['two']]).heading).toContain('Slip 3 ·');
		expect(move(0.8).why).toContain('These plates leave it 200 g heavy.');
		expect(move(-0.8).why).toContain('These plates leave it 200 g light.');
		expect(move(0.2).why).not.toContain('leave it');
		expect(move(0).target.hung).toEqual(more.plates.map(({ count }) => count));
		const plan = slipOf({ balanced: false, choice: more, envelopeThen: { ...steady, reserve: 0.02 } });
		expect(plan.danger).toContain('only 2 % of reserve');
	});
	it('in balance already it moves nothing, though the choice would hang otherwise', () => {
		expect(slipOf({ choice: more })).toMatchObject({ kind: 'placed', lines: [] });
		// What hangs now is judged then, not the plan.
		const envelopes = { envelope: { ...steady, reserve: 0.02 }, envelopeThen: steady };
		expect(slipOf({ choice: more, ...envelopes }).kind).toBe('tips');
	});
	it('the first plates hang by themselves, later ones with how many hang in all; the trim says which way', () => {
		const { geometry } = on;
		const none = { ...state.setting, hung: geometry.plates.map(() => 0) };
		const some = { ...none, hung: geometry.plates.map((_, index) => (index === 0 ? 2 : 0)) };
		const three = { ...none, hung: geometry.plates.map((_, index) => (index === 0 ? 3 : 0)) };
		expect(linesBetween(geometry, none, some, 'metric')).toEqual([
			{ id: 'on', lead: 'Hang ', strong: '2 × 20 kg', detail: null }
		]);
		expect(linesBetween(geometry, some, three, 'metric')[0]).toMatchObject({
			strong: '1 × 20 kg',
			detail: '3 × 20 kg in all'
		});
		const trims = (from: number, to: number) =>
			linesBetween(geometry, { ...none, trimU: from }, { ...none, trimU: to }, 'metric');
		expect(trims(-0.5, -0.6)[0]).toMatchObject({ strong: '600 mm behind the pivot', detail: 'back 100 mm' });
		expect(trims(-0.6, -0.5)[0]).toMatchObject({ strong: '500 mm behind the pivot', detail: 'forward 100 mm' });
		const quarter = geometry.trim.graduationM / 4;
		expect(trims(-0.5, -0.5 - quarter * 1.01)).toHaveLength(1);
		expect(trims(-0.5, -0.5 - quarter * 0.99)).toEqual([]);
		expect(linesBetween(geometry, none, { ...none, shareSecond: 0.4 }, 'metric')).toEqual([
			{ id: 'share', lead: 'Hang on the upper line ', strong: '40 %', detail: 'of the plates, the rest on the lower' }
		]);
	});
});

describe('how it pulls at its ends, and whether it stays', () => {
	const cure = { ...base.cure, shiftM: null, shareAbove: null } as unknown as CraneFigures['cure'];
	const pulls = (
		noseAtEndsKg: readonly [number, number],
		next: Partial<CraneFigures['cure']> = {},
		staysThroughout = false
	) =>
		pullsInWords(
			{ ...base, noseBandKg: 0.05, staysThroughout, noseAtEndsKg, cure: { ...cure, ...next } as never },
			'metric'
		);
	it.each([
		[[0.1, 0.4], 'At full height its nose pulls down with 400 g.'],
		[[0.1, -0.4], 'At full height its nose pulls up with 400 g.'],
		[[0.4, 0.1], 'All the way down its nose pulls down with 400 g.'],
		[[-0.4, 0.1], 'All the way down its nose pulls up with 400 g.'],
		[[0.05, 0.05], null]
	] as const)('%j', (ends, words) => {
		expect(pulls(ends)).toBe(words);
		expect(pulls(ends, {}, true)).toBeNull();
	});
	it('with the cure that there is: a second line before a shifted one, and which way', () => {
		expect(pulls([0, 1], { shiftM: 0.12 })).toContain('Cure: the weight line up 120 mm.');
		expect(pulls([0, 1], { shiftM: -0.12 })).toContain('Cure: the weight line down 120 mm.');
		expect(pulls([0, 1], { shiftM: 0.12, shareAbove: 0.35 })).toContain('Hang 35 % of the plates on the upper line.');
	});
	it('level it is right, and the slip says how it pulls at its ends', () => {
		const slip = slipOf({ staysThroughout: false, noseAtEndsKg: [0, 0.4], cure });
		expect(slip.pulls).toBe('At full height its nose pulls down with 400 g.');
	});
	const stays = (kind: string, restBoomRad: number | null, frictionNm = 5, staysThroughout = false) =>
		staysInWords(
			{ ...base, staysThroughout, frictionNm, drift: { ...base.drift, kind, restBoomRad } as never },
			'metric'
		);
	it.each([
		['seeks', 0.2, 5, 'Let go high or low it comes back towards 11° up.'],
		['seeks', -0.2, 0, 'Let go high or low it comes back towards 11° down, with no friction to hold it.'],
		['seeks', null, 5, 'Let go high or low it comes back towards 0° up.'],
		['runsAway', -0.1, 5, 'Let go high it goes on up, let go low it goes on down, away from 6° down.'],
		['noseDown', null, 5, 'Let go, the nose sinks at every boom.'],
		['noseUp', null, 5, 'Let go, the nose rises at every boom.'],
		['neutral', null, 5, '']
	] as const)('%s, resting at %s, friction %d: %s', (kind, rest, friction, words) => {
		expect(stays(kind, rest, friction)).toBe(words);
		expect(stays(kind, rest, friction, true)).toMatch(
			/^It stays at every boom: the pivot holds [\d.]+ k?g at the nose/
		);
	});
	it('a boom is up or down of level', () => {
		expect([degreesSigned(0), degreesSigned(0.35), degreesSigned(-0.35)]).toEqual(['0° up', '20° up', '20° down']);
	});
});

it('what tips: nothing left, little left, enough left', () => {
	const said = (reserve: number) => dangerOf({ ...steady, reserve });
	expect(said(-0.1)).toContain('it tips over');
	expect(said(0)).toContain('it tips over');
	expect(said(0.001)).toContain('only 0 % of reserve');
	expect(said(leastReserve - 0.001)).toContain('10 %');
	expect(said(leastReserve)).toBeNull();
});
