import { describe, expect, it } from 'vitest';
import { bodies, payload } from '$lib/testing/scenario';
import { type SliderFigures, sliderFigures, type SliderTrouble } from './figures';
import { sliderFromPattern, sliderPatterns } from './patterns';
import { lineInWords, sliderSlip, supportName, troubleInWords } from './slip';
import { freshSetting } from './standing';

const slider = {
	id: 's',
	version: 1,
	...sliderFromPattern(
		sliderPatterns.find(({ id }) => id === 'middle')!,
		'Rail'
	)
};
const { geometry } = slider;
const setting = { ...freshSetting(geometry), supportsM: [0.2, 0.8] as [number, number] };
const base = sliderFigures(slider, bodies(payload('wide')), setting, []);
const quiet: Partial<SliderFigures> = {
	wrong: [],
	widerM: null,
	fit: 'within',
	placed: true,
	poised: false,
	seen: null
};
const slipOf = (next: Partial<SliderFigures> = {}, more: Partial<typeof setting> = {}) =>
	sliderSlip(slider, { ...setting, ...more }, { ...base, ...quiet, ...next }, 'metric');
const [start, end] = geometry.carriage.travelM;
const lifts = (support: number, atM: number, byN: number): SliderTrouble => ({ kind: 'lifts', support, atM, byN });

describe('what is wrong with a rail, in a sentence', () => {
	const said = (trouble: SliderTrouble, supportsM: readonly number[] = setting.supportsM) =>
		troubleInWords(trouble, { supportsM } as never, geometry, 'metric');
	it('which support lifts, at which end of the travel, and what would have to hold it', () => {
		expect(said(lifts(0, end, 12))).toMatch(
			/^The rail lifts off the support at the start when the carriage reaches the far end: it would have to be pulled down with /
		);
		expect(said(lifts(1, start, 12))).toMatch(
			/^The rail lifts off the support at the far end when the carriage reaches the start: /
		);
		expect(said(lifts(1, start, -3))).toMatch(
			/^With the carriage at the start the support at the far end bears only .+: a hand on the camera lifts it\.$/
		);
		expect(said(lifts(0, end, 0))).toMatch(/^With the carriage at the far end the support at the start bears only /);
	});
	it('what bears, turns and slides too much, with what it is said to hold', () => {
		expect(said({ kind: 'bears', support: 1, byN: 90, mostN: 60 })).toMatch(
			/^The support at the far end bears .+, said to bear .+ at most\.$/
		);
		expect(said({ kind: 'bears', support: 0, byN: 90, mostN: 60 }, [0.4])).toMatch(/^The clamp bears /);
		expect(said({ kind: 'turns', byNm: -9, mostNm: 4 })).toMatch(/^The clamp is turned with 9.*, said to hold 4/);
		expect(said({ kind: 'slides', byN: 30, mostN: 20 })).toMatch(
			/^The carriage pulls .+ down the rail, and its drive is said to hold /
		);
	});
	it('what nobody has said is no yes, whichever it is', () => {
		expect(said({ kind: 'unsaid', what: 'clamp', byNm: 5 })).toMatch(
			/^The clamp is turned with 5.*nobody has said what it holds\.$/
		);
		expect(said({ kind: 'unsaid', what: 'drive', byN: 5 })).toMatch(
			/^The carriage pulls .*nobody has said what holds it there\.$/
		);
		expect(said({ kind: 'unsaid', what: 'clamps', byN: 5 })).toMatch(
			/^The clamps pull the rail down with .*nobody has said what they bear\.$/
		);
	});
	it('one support is a clamp; of two the first is at the start', () => {
		expect([supportName(0, 1), supportName(0, 2), supportName(1, 2)]).toEqual([
			'clamp',
			'support at the start',
			'support at the far end'
		]);
	});
});

describe('what comes next', () => {
	it('too heavy comes first; in place it is computed, then seen', () => {
		expect(slipOf({ fit: 'tooHeavy', poised: true })).toMatchObject({ kind: 'tooHeavy', lines: [], target: setting });
		expect(slipOf()).toMatchObject({ kind: 'placed', heading: 'As computed', lines: [], target: setting });
		expect(slipOf().why).toContain('Nobody has tried it yet.');
		expect(slipOf({ poised: true, seen: 'stays' })).toMatchObject({
			...{ kind: 'poised', heading: 'As seen' },
			why: 'The carriage was walked from end to end by hand, and the rail stayed.'
		});
	});
	it('what was seen against the figures counts', () => {
		for (const seen of ['startLifts', 'endLifts', 'slides'] as const)
			expect(slipOf({ seen })).toMatchObject({ kind: 'wrong', why: expect.stringContaining('what was seen counts') });
		expect(slipOf({ seen: 'stays' }).kind).toBe('placed');
	});
	it('where a support lifts and wider would do, which goes where; one that stands there already is left', () => {
		const wrong = [lifts(0, end, 12)];
		const move = (widerM: readonly [number, number]) => slipOf({ wrong, widerM, placed: false });
		expect(move([0.1, 0.9])).toMatchObject({
			kind: 'move',
			heading: 'The supports',
			target: { supportsM: [0.1, 0.9] }
		});
		expect(move([0.1, 0.9]).lines.map(lineInWords)).toEqual([
			'Set the support at the start to 100 mm',
			'Set the support at the far end to 900 mm'
		]);
		expect(move([0.1, 0.8]).lines.map(({ id }) => id)).toEqual(['support-0']);
		expect(move([0.2, 0.9]).lines.map(({ id }) => id)).toEqual(['support-1']);
		expect(move([0.2014, 0.7986]).lines).toEqual([]);
		expect(move([0.2016, 0.7984]).lines).toHaveLength(2);
		expect(move([0.1, 0.9]).troubles).toHaveLength(1);
		expect(slipOf({ wrong: [{ kind: 'slides', byN: 3, mostN: 1 }], widerM: [0.1, 0.9], placed: false }).kind).toBe(
			'wrong'
		);
	});
	it('else every trouble with its own way out, in order', () => {
		const why = (...wrong: SliderTrouble[]) => slipOf({ wrong, placed: false }, { inclineRad: -0.35 }).why;
		const slides: SliderTrouble = { kind: 'slides', byN: 3, mostN: 1 };
		const turns: SliderTrouble = { kind: 'turns', byNm: 3, mostNm: 1 };
		const unsaid: SliderTrouble = { kind: 'unsaid', what: 'clamp', byNm: 3 };
		const bears: SliderTrouble = { kind: 'bears', support: 0, byN: 3, mostN: 1 };
		expect(why(lifts(0, end, 1))).toMatch(
			/^Supports at the very ends of the rail would not do: clamp it down.*part of its travel\.$/
		);
		expect(why(slides)).toMatch(/^Lay the rail flatter than 20°, counterweight the carriage, or take weight off\.$/);
		expect(why(turns)).toMatch(/^Put the clamp nearer the load’s middle, or a second support under the rail\.$/);
		expect(why(unsaid)).toMatch(/^Write on the slider’s page .* counts as not safe\.$/);
		expect(why(bears)).toBe('Take a stronger support.');
		expect(why(bears, unsaid, turns, slides, lifts(1, start, 1))).toMatch(
			/^Supports at .* Lay the rail .* Put the clamp .* Write on .* Take a stronger support\.$/
		);
	});
});
