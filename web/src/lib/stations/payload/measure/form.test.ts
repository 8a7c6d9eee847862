import { describe, expect, it } from 'vitest';
import type { Measurement } from '$lib/model/measurement';
import { MeasureForm } from './measureForm.svelte';
import { measuredAxes, spokenFor } from './together';

describe('what is being read', () => {
	it('joins the one being typed to those taken before, and clears', () => {
		const form = new MeasureForm();
		expect(form.readings).toMatchObject({ way: 'rod', fromEndM: [] });
		form.reading = 0.04;
		form.takeAgain();
		form.reading = 0.042;
		expect(form.readings).toMatchObject({ fromEndM: [0.04, 0.042] });
		expect(form.inWords('metric')).toBe('40 mm, 42 mm from its rear end');
		form.clear();
		expect(form.readings).toMatchObject({ fromEndM: [] });
	});
	it('counts a pair of scales only once one of them shows something', () => {
		const form = new MeasureForm();
		form.way = 'scales';
		expect(form.readings).toMatchObject({ pairsKg: [] });
		form.pair = [0.1, 0.3];
		form.weighAgain();
		expect(form.readings).toMatchObject({ pairsKg: [[0.1, 0.3]] });
		expect(form.inWords('metric')).toBe('100 g | 300 g over 100 mm');
	});
	it('times a swing by taps, and swings again', () => {
		const form = new MeasureForm();
		form.way = 'swing';
		for (const moment of [3, 4.1, 5.2, 6.3]) form.tap(moment);
		expect(form.period).toBeCloseTo(1.1, 9);
		form.swingAgain();
		expect([form.period, form.taps.length]).toEqual([0, 0]);
		expect(form.readings).toMatchObject({ periodsS: [expect.closeTo(1.1, 9)], turnsRad: [0] });
	});
	it('takes level for an angle where it is the only one', () => {
		const form = new MeasureForm();
		form.way = 'hang';
		expect(form.readings).toMatchObject({ first: { turnsRad: [0] }, second: { turnsRad: [0] } });
		form.hangs[1].turn = 0.5;
		form.hangAgain(1);
		form.hangs[1].turn = 0.52;
		expect(form.readings).toMatchObject({ second: { turnsRad: [0.5, 0.52] } });
	});
	it('has nothing to say of a logged balance', () => {
		const form = new MeasureForm();
		form.way = 'balance';
		expect(form.readings).toBeNull();
		expect(form.inWords('metric')).toBe('');
	});
});

describe('measurements of one part', () => {
	const entry = (id: string, axis: 0 | 1 | 2, valueM: number, sigmaM: number): Measurement => ({
		id,
		partId: 'p',
		payloadId: null,
		way: 'rod',
		found: [{ axis, valueM, sigmaM }],
		readings: '',
		personName: 'Pia Tolland',
		at: '2026-01-01T00:00:00.000Z'
	});
	const axes = measuredAxes([entry('a', 0, 0.01, 0.001), entry('b', 0, 0.02, 0.001), entry('c', 2, 0, 0.002)]);
	it('stand by direction, and say where they disagree', () => {
		expect(axes.map(({ which, entries, told }) => [which, entries.length, told.conflict])).toEqual([
			[0, 2, true],
			[2, 1, false]
		]);
	});
	it('speak together unless one is picked', () => {
		expect(spokenFor(axes, {}, 0)!.valueM).toBeCloseTo(0.015, 12);
		expect(spokenFor(axes, { 0: 'b' }, 0)).toEqual({ valueM: 0.02, sigmaM: 0.001 });
		expect(spokenFor(axes, { 0: 'thrown away' }, 0)!.valueM).toBeCloseTo(0.015, 12);
		expect(spokenFor(axes, {}, 1)).toBeNull();
	});
});
