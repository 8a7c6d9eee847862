import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { lightTurning, lightTurnings, testFeel, testSheet } from '$lib/testing/feel';
import { axisModel, follows, motorsOf, respond, rms, speakingAxis } from './figures';
import { feelStation, stationOf, wishesRead } from './wishes';
import { doneS, handleOf } from './gestures';
import { gestureKeys, type OwnSettings } from './model';
import { loopOf } from './scales';
import { gestureWords, isWalk, shotOf, usualShots, walkOf, wantedWith } from './shots';

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
		const late = feelStation(wishesRead(model({ follow: 5 }), shot, lens), shot, { buzzes: false, beyond: false });
		expect(late.offset).toBeGreaterThan(1);
		expect(late.words).toMatch(/later than whip pan asks/);
		const procession = shotOf({ own: [] }, 'procession');
		const restless = feelStation(
			wishesRead(model({ follow: 95, deadband: 0, smooth: 100 }), procession, lens),
			procession,
			{ buzzes: false, beyond: false }
		);
		expect(restless.offset).toBeLessThan(-1);
		expect(restless.words).toMatch(/more restless/);
	});
	it('say within only as computed, and that it buzzes before anything else', () => {
		const shot = { ...usualShots[0]!, wanted: { lagRad: null, settleS: null, overshootRad: null, shakeShare: 1 } };
		expect(feelStation(wishesRead(model(), shot, lens), shot, { buzzes: false, beyond: false }).words).toMatch(
			/^within .* as computed$/
		);
		expect(feelStation([], shot, { buzzes: true, beyond: false })).toMatchObject({ offset: -6 });
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
		const held = { id: 'p', massKg: 1, greatestPayloadKg: 4 };
		expect(stationOf(sheet, testFeel(), shot, lightTurnings, { ...held, massKg: 4.1 })?.words).toMatch(/must not fly/);
		expect(stationOf(sheet, testFeel(), shot, lightTurnings, held)?.offset).not.toBeNull();
		expect(stationOf(sheet, testFeel(), shot, {}, held)).toBeNull();
	});
	it('goes by the mode it is in; before anybody said which, pan follows and nothing else', () => {
		expect(follows(sheet, { modeId: 'holds' }, 'pan')).toBe(false);
		expect(follows(sheet, { modeId: 'panTiltFollow' }, 'tilt')).toBe(true);
		expect([follows(sheet, { modeId: null }, 'pan'), follows(sheet, { modeId: null }, 'tilt')]).toEqual([true, false]);
	});
});

describe('the figures, by another way', () => {
	it('steps turn the camera as the equation of motion says, in size and in time', () => {
		for (const gesture of ['walk', 'stairs'] as const) {
			const m = model();
			const { plant, stiffnessNmPerRad, firstMomentKgM } = m;
			const dampNmS = 2 * plant.damping * plant.naturalRadPerS * plant.inertiaKgM2 + plant.couplingNmS;
			// I x'' + c x' + k x = −p Σ A ω² sin ωt, stepped from rest until nothing of the start is left.
			const push = (t: number) =>
				-firstMomentKgM *
				walkOf[gesture].reduce((sum, { amplitudeM, frequencyHz }) => {
					const omega = 2 * Math.PI * frequencyHz;
					return sum + amplitudeM * omega ** 2 * Math.sin(omega * t);
				}, 0);
			const rate = (t: number, x: number, v: number): [number, number] => [
				v,
				(push(t) - dampNmS * v - stiffnessNmPerRad * x) / plant.inertiaKgM2
			];
			const response = respond(m, lens, gesture, 'tilt');
			const { atS, bounceRad } = response;
			// Every step goes whole into 10 s, so that ten seconds later it is as at the beginning.
			const laterS = 20;
			const stepS = 1 / 6000;
			let [x, v] = [0, 0];
			const reckoned = new Map<number, number>();
			const last = Math.round((laterS + 2) / stepS);
			for (let k = 0; k <= last; k += 1) {
				const t = k * stepS;
				if (k % 100 === 0 && t >= laterS - 1e-9) reckoned.set(Math.round((t - laterS) * 60), x);
				const [a1, b1] = rate(t, x, v);
				const [a2, b2] = rate(t + stepS / 2, x + (a1 * stepS) / 2, v + (b1 * stepS) / 2);
				const [a3, b3] = rate(t + stepS / 2, x + (a2 * stepS) / 2, v + (b2 * stepS) / 2);
				const [a4, b4] = rate(t + stepS, x + a3 * stepS, v + b3 * stepS);
				x += (stepS / 6) * (a1 + 2 * a2 + 2 * a3 + a4);
				v += (stepS / 6) * (b1 + 2 * b2 + 2 * b3 + b4);
			}
			const largest = Math.max(...bounceRad.map(Math.abs));
			expect(largest).toBeGreaterThan(1e-5);
			for (let frame = 0; frame < 100; frame += 1) {
				expect(atS[frame]).toBeCloseTo(frame / 60, 12);
				expect(Math.abs(bounceRad[frame]! - reckoned.get(frame)!)).toBeLessThan(0.002 * largest);
			}
		}
	});
	it('is stepped sixty times a second from the beginning to the end of what the hand does', () => {
		for (const gesture of gestureKeys) {
			const { atS } = respond(model(), lens, gesture, 'pan');
			expect(atS[0]).toBe(0);
			expect(atS.at(-1)).toBeCloseTo(gestureWords[gesture].lastsS, 2);
			expect(atS).toHaveLength(Math.round(gestureWords[gesture].lastsS * 60) + 1);
		}
	});
	it('how fast the picture goes: the quickest frame, in widths of it', () => {
		const response = respond(model(), lens, 'whipPan', 'pan');
		let most = 0;
		response.cameraRad.forEach((at, k, all) => {
			if (k > 0) most = Math.max(most, Math.abs(at - all[k - 1]!) * 60);
		});
		expect(most).toBeGreaterThan(0.2);
		expect(response.figures.pictureWidthsPerS).toBeCloseTo((most * lens.focalM) / lens.sensorWidthM, 9);
		const long = respond(model(), { ...lens, focalM: 2 * lens.focalM }, 'whipPan', 'pan');
		expect(long.figures.pictureWidthsPerS).toBeCloseTo(2 * response.figures.pictureWidthsPerS, 9);
	});
	it('a shake is counted about its middle, once the first second is over', () => {
		const atS = Array.from({ length: 241 }, (_, k) => k / 60);
		const sine = atS.map((t) => 5 + 0.2 * Math.sin(2 * Math.PI * 2 * t));
		expect(rms(sine, atS)).toBeCloseTo(0.2 / Math.SQRT2, 3);
		const jumped = atS.map((t, k) => (t < 1 ? 1000 : sine[k]!));
		expect(rms(jumped, atS)).toBeCloseTo(rms(sine, atS), 9);
		expect(
			rms(
				atS.map((t) => (t < 1 ? 0 : 3)),
				atS
			)
		).toBe(0);
	});
	it('its bearings drag a hundredth of the damping in the middle of the scale, and no lean is finer than they show', () => {
		const { least, most } = sheet.scales.stiffness;
		const { naturalRadPerS } = loopOf(sheet.scales.stiffness, (least + most) / 2, lightTurning);
		for (const stiffness of [30, 50, 70])
			expect(model({ stiffness }).plant.couplingNmS).toBeCloseTo(
				0.01 * 2 * sheet.damping * naturalRadPerS * lightTurning.inertiaKgM2,
				12
			);
		expect(model().firstMomentKgM).toBeCloseTo(0.02 / 9.80665, 12);
		const sure = axisModel(sheet, own, { ...lightTurning, residualNm: 0.001 }, 'p', 'pan', true);
		expect(sure.firstMomentKgM).toBeCloseTo(0.015 / 9.80665, 12);
		expect(model({ smooth: 0 }).settings.smoothS).toBeGreaterThanOrEqual(1e-3);
	});
	it('shows no dead band where nothing follows', () => {
		expect(respond(model(), lens, 'quarterTurn', 'pan').deadbandRad).toBe(model().settings.deadbandRad);
		expect(respond(model({}, false), lens, 'quarterTurn', 'pan').deadbandRad).toBe(0);
		expect(model({}, false).settings.deadbandRad).toBeGreaterThan(0);
	});
	it('nobody speaks where there is no motor', () => {
		expect(speakingAxis({})).toBeNull();
		expect(speakingAxis({ roll: lightTurning, tilt: lightTurning })).toBe('tilt');
	});
});
