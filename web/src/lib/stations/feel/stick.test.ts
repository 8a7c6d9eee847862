import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fromKeys, onPad, readPads } from '$lib/sheet/pad';
import { freshStick, stickAt, stickFrom, stickToCsv, stickToJson, topSpeeds } from './stick';
import type { StickSetting } from './model';

const lens = { focalM: 0.05, sensorWidthM: 0.036 };
const number = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const sticks: fc.Arbitrary<StickSetting> = fc.record({
	deadZone: number(0, 0.9),
	expo: number(0, 1),
	maxRateRadPerS: number(0.01, 12),
	widthsPerS: number(0.01, 20),
	focalsM: fc.array(number(0.005, 1.9), { minLength: 1, maxLength: 12 }),
	gripRatio: number(0.02, 10),
	gripAxes: fc.record({ pan: fc.boolean(), tilt: fc.boolean(), roll: fc.boolean() }),
	gripRecentre: fc.constantFrom('', 'A long press', 'He said “press”, "twice", once')
});

describe('the stick', () => {
	it('turns the head to the side it is pushed, nothing within its dead zone, no more than the lens allows', () => {
		expect(stickAt(freshStick, 0.05, lens)).toBe(0);
		expect(stickAt(freshStick, 0.5, lens)).toBeGreaterThan(0);
		expect(stickAt(freshStick, -0.5, lens)).toBe(-stickAt(freshStick, 0.5, lens));
		expect(stickAt(freshStick, 1, lens)).toBeCloseTo((freshStick.widthsPerS * 0.036) / 0.05, 9);
	});
	it('is held back by the picture with long lenses and by the head with wide ones', () => {
		const speeds = topSpeeds({ ...freshStick, focalsM: [0.01, 0.1], maxRateRadPerS: 1 }, 0.036);
		expect(speeds.map(({ byPicture }) => byPicture)).toEqual([false, true]);
	});
});

describe('a stick in a file', () => {
	it('comes back as it went, as JSON and as CSV', () => {
		fc.assert(
			fc.property(sticks, (stick) => {
				for (const text of [stickToJson(stick), stickToCsv(stick)]) {
					const told = stickFrom(text);
					if ('problem' in told) throw new Error(told.problem);
					expect(told.stick.deadZone).toBeCloseTo(stick.deadZone, 5);
					expect(told.stick.expo).toBeCloseTo(stick.expo, 5);
					expect(told.stick.maxRateRadPerS).toBeCloseTo(stick.maxRateRadPerS, 5);
					expect(told.stick.gripAxes).toEqual(stick.gripAxes);
					expect(told.stick.gripRecentre).toBe(stick.gripRecentre);
					told.stick.focalsM.forEach((focal, k) => expect(focal).toBeCloseTo(stick.focalsM[k]!, 5));
				}
			})
		);
	});
	it.each([
		['no file of ours', 'hello'],
		['broken JSON', '{"what":'],
		['another shape', stickToJson(freshStick).replace('"shape": 1', '"shape": 9')],
		['a dead zone beyond its end', stickToJson(freshStick).replace('"deadZone": 0.08', '"deadZone": 2')],
		['a negative dead zone', stickToCsv(freshStick).replace('deadZone,0.08', 'deadZone,-0.08')],
		['a top speed that is none', stickToCsv(freshStick).replace('topDegPerS,60', 'topDegPerS,fast')],
		['no focal lengths', stickToCsv(freshStick).replace(/focalMm,.*/, 'focalMm,')]
	])('%s is refused in words', (_, text) => {
		const told = stickFrom(text);
		expect('problem' in told && told.problem.length).toBeGreaterThan(20);
	});
});

describe('what moves it', () => {
	it('a controller’s second axis grows downwards, so up is minus', () => {
		const pad = { connected: true, id: 'stand-in', axes: [0.5, -0.25] };
		expect(readPads([null, pad])).toEqual({ id: 'stand-in', at: { x: 0.5, y: 0.25 } });
		expect(readPads([null, { ...pad, connected: false }])).toBeNull();
		expect(readPads([{ ...pad, axes: [NaN, 7] }])?.at).toEqual({ x: 0, y: -1 });
	});
	it('keys hold it at a side, opposite ones cancel, Shift is half', () => {
		expect(fromKeys(new Set(['ArrowRight', 'ArrowUp']), false)).toEqual({ x: 1, y: 1 });
		expect(fromKeys(new Set(['ArrowLeft']), true)).toEqual({ x: -0.5, y: 0 });
		expect(fromKeys(new Set(['ArrowLeft', 'ArrowRight']), false)).toEqual({ x: 0, y: 0 });
	});
	it('a finger beyond the rim stays on it', () => {
		expect(onPad(3, 4)).toEqual({ x: 0.6, y: 0.8 });
		expect(onPad(-0.2, 0.1)).toEqual({ x: -0.2, y: 0.1 });
	});
});
