import { describe, expect, it } from 'vitest';
import { isQuick, nextSetting, pressed, ready, type Timing } from './turnTimer';

const timed = (...atMs: readonly number[]) => atMs.reduce<Timing>((timing, ms) => pressed(timing, ms), ready);

describe('a turn timed with one thumb', () => {
	it('is timed from the turn to half of the way and until it stands', () => {
		expect(timed(1000, 1420, 2100)).toEqual({ at: 'done', halfS: 0.42, endS: 1.1 });
		expect(timed(1000, 1420, 2100, 9000)).toEqual({ at: 'turned', fromMs: 9000 });
	});
	it('a trembling thumb is no press', () => {
		expect(timed(1000, 1020)).toEqual({ at: 'turned', fromMs: 1000 });
		expect(timed(1000, 1420, 1440)).toMatchObject({ at: 'half', halfS: 0.42 });
	});
	it('half of the way in 10.8 s is no quick turn; of the laziest follow it is', () => {
		expect(isQuick({ halfS: 10.8 })).toBe(false);
		expect(isQuick({ halfS: 5.01 })).toBe(false);
		expect(isQuick({ halfS: 4.9 })).toBe(true);
	});
	it('asks for settings far apart that no turn was timed at', () => {
		const scale = { least: 0, most: 100 };
		expect(nextSetting(scale, [])).toBe(20);
		expect(nextSetting(scale, [22])).toBe(80);
		expect(nextSetting(scale, [20, 80])).toBe(50);
	});
});
