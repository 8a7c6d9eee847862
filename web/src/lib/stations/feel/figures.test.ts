import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { lightTurning, lightTurnings, testFeel, testSheet } from '$lib/testing/feel';
import { axisModel, follows, motorsOf, respond } from './figures';
import { feelStation, stationOf, wishesRead } from './wishes';
import { doneS, handleOf } from './gestures';
import { gestureKeys, type OwnSettings } from './model';
import { gestureWords, isWalk, shotOf, usualShots, wantedWith } from './shots';

const sheet = testSheet();
const lens = { focalM: 0.035, sensorWidthM: 0.036 };
const own: OwnSettings = { follow: 60, deadband: 10, smooth: 25, stiffness: 50 };
const model = (next: Partial<OwnSettings> = {}, follow = true) =>
	axisModel(sheet, { ...own, ...next }, lightTurning, 'p', 'pan', follow);

describe('what the hand does', () => {
	it.each(gestureKeys)('%s stays within its time and ends where it says', (key) => {
		const handle = handleOf(key);
		const { lastsS } = gestureWords[key];
		expect(doneS(key)).toBeLessThan(lastsS);
		if (handle.kind === 'path') expect(handle.atS[handle.atS.length - 1]).toBeCloseTo(lastsS, 9);
	});
	it('turns to the right and tilts down: both negative', () => {
		for (const key of ['quarterTurn', 'whipPan', 'slowPan', 'stop', 'tiltDown'] as const) {
			const handle = handleOf(key);
			expect(handle.kind === 'ramp' && handle.rateRadPerS).toBeLessThan(0);
		}
	});
});

describe('what the camera makes of it', () => {
	it('rests short of the hand by the dead band, on the side it came from', () => {
		const response = respond(model(), lens, 'quarterTurn', 'pan');
		const [hand, camera] = [response.handleRad.at(-1)!, response.cameraRad.at(-1)!];
		expect(hand).toBeCloseTo(-Math.PI / 2, 6);
		expect(camera).toBeGreaterThan(hand);
		expect(camera - hand).toBeCloseTo(model().settings.deadbandRad, 2);
		expect(response.figures.restShortRad).toBeCloseTo(model().settings.deadbandRad, 2);
		expect(response.figures.lagRad).toBeGreaterThan(response.figures.restShortRad);
	});
	it('stays where it points in a mode that holds, but for what drags it along', () => {
		const { cameraRad, deadbandRad } = respond(model({}, false), lens, 'quarterTurn', 'pan');
		expect(Math.max(...cameraRad.map(Math.abs))).toBeLessThan(0.02);
		expect(deadbandRad).toBe(0);
	});
	it('lags less the higher follow is set', () => {
		const lags = [20, 40, 60, 80].map(
			(follow) => respond(model({ follow }), lens, 'quarterTurn', 'pan').figures.lagRad
		);
		expect([...lags].sort((a, b) => b - a)).toEqual(lags);
	});
	it('shakes more on screen through a longer lens, in proportion', () => {
		const at = (focalM: number) => respond(model(), { ...lens, focalM }, 'walk', 'pan').figures.shakeShare;
		expect(at(0.07) / at(0.035)).toBeCloseTo(2, 6);
		expect(at(0.035)).toBeGreaterThan(0);
	});
	it('is shown without the motor, and said to buzz, where the loop has no margin', () => {
		const stiff = axisModel({ ...sheet, delayS: 0.05 }, { ...own, stiffness: 100 }, lightTurning, 'p', 'pan', true);
		expect(stiff.phaseMarginRad).toBeLessThan(0);
		const response = respond(stiff, lens, 'quarterTurn', 'pan');
		expect(response.buzzes).toBe(true);
		expect(response.cameraRad).toEqual(response.referenceRad);
		for (const angle of response.cameraRad) expect(Number.isFinite(angle)).toBe(true);
	});
	it.each(gestureKeys)('%s has figures at every time, whatever is set', (gesture) => {
		const figure = fc.integer({ min: 0, max: 100 });
		fc.assert(
			fc.property(fc.record({ follow: figure, deadband: figure, smooth: figure, stiffness: figure }), (any) => {
				const { cameraRad, bounceRad, figures } = respond(model(any), lens, gesture, 'pan');
				for (const angle of [...cameraRad, ...bounceRad]) expect(Number.isFinite(angle)).toBe(true);
				for (const value of Object.values(figures))
					expect(value === null || (Number.isFinite(value) && value >= 0)).toBe(true);
			}),
			{ numRuns: 6 }
		);
	});
});

describe('a shot’s wishes', () => {
	it('allow less of an angle with a longer lens, and the same of the picture', () => {
		const shot = shotOf({ own: [] }, 'walkBehind');
		const long = wantedWith(shot, { focalM: 0.07, sensorWidthM: 0.036 });
		expect(long.lagRad! / shot.wanted.lagRad!).toBeCloseTo(0.5, 9);
		expect([long.settleS, long.shakeShare]).toEqual([shot.wanted.settleS, shot.wanted.shakeShare]);
	});
	it('put the bubble right when it is late and left when it is restless', () => {
		const shot = shotOf({ own: [] }, 'whipPan');
		const late = feelStation(wishesRead(model({ follow: 5 }), shot, lens), shot, false);
		expect(late.offset).toBeGreaterThan(1);
		expect(late.words).toMatch(/later than whip pan asks/);
		const procession = shotOf({ own: [] }, 'procession');
		const restless = feelStation(
			wishesRead(model({ follow: 95, deadband: 0, smooth: 100 }), procession, lens),
			procession,
			false
		);
		expect(restless.offset).toBeLessThan(-1);
		expect(restless.words).toMatch(/more restless/);
	});
	it('say within only as computed, and that it buzzes before anything else', () => {
		const shot = { ...usualShots[0]!, wanted: { lagRad: null, settleS: null, overshootRad: null, shakeShare: 1 } };
		expect(feelStation(wishesRead(model(), shot, lens), shot, false).words).toMatch(/^within .* as computed$/);
		expect(feelStation([], shot, true)).toMatchObject({ offset: -6 });
	});
	it('ask nothing of a follow that holds', () => {
		const ids = wishesRead(model({}, false), shotOf({ own: [] }, 'walkBehind'), lens).map(({ id }) => id);
		expect(ids).not.toContain('lagRad');
		expect(ids).toContain('shakeShare');
	});
	it('a shot that was deleted is the first of the usual ones', () => {
		expect(shotOf({ own: [] }, 'gone').id).toBe(usualShots[0]!.id);
		for (const { walk } of usualShots) expect(isWalk(walk)).toBe(true);
	});
});

describe('the station', () => {
	it('speaks for pan, and for the first motor there is where pan is turned by hand', () => {
		expect(motorsOf({ roll: lightTurning, tilt: lightTurning })).toEqual(['tilt', 'roll']);
		const shot = shotOf({ own: [] }, 'walkBehind');
		expect(stationOf(sheet, testFeel(), shot, lightTurnings, 'p')?.offset).not.toBeNull();
		expect(stationOf(sheet, testFeel(), shot, {}, 'p')).toBeNull();
	});
	it('goes by the mode it is in; before anybody said which, pan follows and nothing else', () => {
		expect(follows(sheet, { modeId: 'holds' }, 'pan')).toBe(false);
		expect(follows(sheet, { modeId: 'panTiltFollow' }, 'tilt')).toBe(true);
		expect([follows(sheet, { modeId: null }, 'pan'), follows(sheet, { modeId: null }, 'tilt')]).toEqual([true, false]);
	});
});
