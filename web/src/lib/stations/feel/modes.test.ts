import { describe, expect, it } from 'vitest';
import { testSheet, threeMotors } from '$lib/testing/feel';
import { freshSheet } from './fresh';
import { followers, modePatterns, modesOf, reachWords, wayTo, wayWords, whyNoMode } from './modes';
import { modeKinds } from './model';

const { modes } = testSheet();
const called = (kind: string, list = modes) => list.find((mode) => mode.kind === kind)!;

describe('how a mode is reached', () => {
	it('says the control, how often and whether it is held', () => {
		expect(reachWords(called('panFollows'))).toBe('Press the mode button once');
		expect(reachWords(called('allFollow'))).toBe('Press the mode button three times');
		expect(reachWords(called('holds'))).toBe('Hold the mode button');
		expect(reachWords({ control: 'the trigger', presses: 2, held: true })).toBe(
			'Press the trigger twice and keep the last one down'
		);
		expect(reachWords({ control: '“pan” on the screen', presses: 0, held: false })).toBe('Choose “pan” on the screen');
	});

	it('answers in one line from the mode it is in', () => {
		expect(wayWords(modes, called('panFollows'), called('panTiltFollow'))).toBe('Press the mode button twice.');
		expect(wayWords(modes, called('panFollows'), called('panFollows'))).toBe('It is in that mode already.');
		expect(wayWords(modes, called('holds'), called('panFollows'))).toBe(
			'Let go of the mode button, then press the mode button once.'
		);
	});

	it('goes by way of the mode that another is reached from, and not when it is there', () => {
		const two = modesOf(
			modePatterns.find(({ key }) => key === 'twoButtons')!,
			threeMotors
		);
		const [spin, all, pan] = ['rollSpinsForward', 'allFollow', 'panFollows'].map((kind) => called(kind, two));
		expect(wayTo(two, pan!, spin!)).toEqual(['Press the mode button three times', 'Hold the mode button']);
		expect(wayTo(two, all!, spin!)).toEqual(['Hold the mode button']);
	});

	it('says so where modes lead to each other in a circle, or to one that is gone', () => {
		const [one, other, third] = modes;
		const circle = [{ ...one!, fromId: other!.id }, { ...other!, fromId: one!.id }, third!];
		expect(wayTo(circle, third!, circle[0]!)).toBeNull();
		expect(wayTo([{ ...one!, fromId: 'gone' }, third!], third!, { ...one!, fromId: 'gone' })).toBeNull();
		expect(wayWords(circle, third!, circle[0]!)).toMatch(/No way leads there/);
	});
});

describe('the modes a gimbal can have', () => {
	it('need the motors they turn: a spin needs a roll motor', () => {
		expect(whyNoMode('rollSpinsUpright', ['tilt', 'roll'])).toMatch(/no pan motor, so it cannot spin/);
		expect(whyNoMode('allFollow', ['pan', 'tilt'])).toMatch(/no roll motor/);
		for (const kind of modeKinds) expect(whyNoMode(kind, threeMotors), kind).toBeNull();
		expect(whyNoMode('holds', [])).toBeNull();
	});

	it.each(modePatterns.map(({ key }) => key))(
		'of the pattern %s leave out what has no motor and never point to nothing',
		(key) => {
			for (const motors of [threeMotors, ['tilt', 'roll'], ['pan', 'tilt'], ['pan']] as const) {
				const sheet = freshSheet(motors, key);
				for (const mode of sheet.modes) {
					expect(whyNoMode(mode.kind, motors)).toBeNull();
					if (mode.fromId !== null) expect(sheet.modes.some(({ id }) => id === mode.fromId)).toBe(true);
				}
				expect(new Set(sheet.modes.map(({ id }) => id)).size).toBe(sheet.modes.length);
			}
			expect(freshSheet(threeMotors, key).startsId).toBe('panFollows');
		}
	);

	it('let only axes with a motor follow', () => {
		expect(followers(called('allFollow'), ['pan', 'roll'])).toEqual(['pan', 'roll']);
		expect(followers(called('holds'), threeMotors)).toEqual([]);
		expect(followers(null, threeMotors)).toEqual(['pan']);
	});
});
