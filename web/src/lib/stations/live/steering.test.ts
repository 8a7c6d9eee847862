import { describe, expect, it } from 'vitest';
import type { LiveHead } from '$lib/model/liveHead';
import { noJog } from './jog';
import { type Asked, steerRates } from './steering';

/* What a hand asks for comes out of the head in the direction that was meant, and no quicker than it was meant. */

const axis = (maxRate: number, ring = false) => ({ range: [-2, 2] as const, maxRate, maxAccel: 3, ring });
const head = { axes: { panRad: axis(1.2), tiltRad: axis(0.8), zoom: axis(0.5, true), focus: axis(0.4, true) } };
const keptOn = (stands: 'stand' | 'ceiling' | 'wall' | 'rail' | 'arm') =>
	({
		settings: {
			camera: { focalM: [0.024, 0.12], sensorWidthM: 0.036, lens: null },
			place: { stands, atM: [4, 3, 2], headingRad: 0, looksRad: 0, armM: 2.6 }
		}
	}) as unknown as LiveHead;
const nothing: Asked = {
	...{ sticks: [], rings: {}, grip: null, jog: noJog },
	...{ deadZone: 0.08, curve: 0.6, keepsLook: true }
};
const asks = (of: Partial<Asked>, on: LiveHead | null = keptOn('stand'), at: Readonly<Record<string, number>> = {}) =>
	steerRates(head, on, at, { ...nothing, ...of });
const stick = (x: number, y: number) => ({ sticks: [{ x, y }] });

describe('a stick', () => {
	it('to the right turns it clockwise from above, to the left the other way, up up and down down', () => {
		expect(asks(stick(1, 0)).panRad!).toBeLessThan(0);
		expect(asks(stick(-1, 0)).panRad!).toBeGreaterThan(0);
		expect(asks(stick(0, 1)).tiltRad!).toBeGreaterThan(0);
		expect(asks(stick(0, -1)).tiltRad!).toBeLessThan(0);
	});
	it('turns what the camera sees alike when the head hangs: its own axes the other way, both of them', () => {
		const [up, hung] = [asks(stick(0.7, 0.7)), asks(stick(0.7, 0.7), keptOn('ceiling'))];
		expect(hung.panRad).toBeCloseTo(-up.panRad!, 12);
		expect(hung.tiltRad).toBeCloseTo(-up.tiltRad!, 12);
	});
	it('moves one axis only when it is pushed along one, and nothing about its middle', () => {
		expect(Object.keys(asks(stick(1, 0)))).toEqual(['panRad']);
		expect(Object.keys(asks(stick(0, 1)))).toEqual(['tiltRad']);
		expect(asks(stick(0.07, -0.07))).toEqual({});
		expect(asks({ ...stick(0.07, 0), deadZone: 0.02 }).panRad).toBeLessThan(0);
	});
	it('of several the one furthest off its middle counts, not their sum and not the last', () => {
		const both = asks({
			sticks: [
				{ x: 0.2, y: 0 },
				{ x: 0, y: 0.9 },
				{ x: -0.5, y: 0 }
			]
		});
		expect(both).toEqual(asks(stick(0, 0.9)));
	});
	it('full is half a picture a second: five times as long a lens goes at a fifth, and never above its own', () => {
		const wide = -asks(stick(1, 0), keptOn('stand'), { zoom: 0 }).panRad!;
		const long = -asks(stick(1, 0), keptOn('stand'), { zoom: 1 }).panRad!;
		// About the middle of the picture a width is the sensor's width by the focal length.
		expect(wide).toBeCloseTo((0.5 * 36) / 24, 9);
		expect(long).toBeCloseTo((0.5 * 36) / 120, 9);
		const slow = steerRates(
			{ axes: { panRad: axis(0.1) } },
			keptOn('stand'),
			{ zoom: 0 },
			{ ...nothing, ...stick(1, 0) }
		);
		expect(-slow.panRad!).toBeCloseTo(0.1, 9);
	});
	it('asks nothing of an axis that the head does not have', () => {
		const only = steerRates(
			{ axes: { panRad: axis(1) } },
			keptOn('stand'),
			{},
			{ ...nothing, ...stick(1, 1), rings: { iris: 1 }, grip: { rollRad: 0.2 } }
		);
		expect(Object.keys(only)).toEqual(['panRad']);
	});
});

describe('a ring, a phone and a carrier', () => {
	it('a ring goes the way of its lever, at its own speed, from a narrower middle', () => {
		expect(asks({ rings: { zoom: 1 } })).toEqual({ zoom: 0.5 });
		expect(asks({ rings: { zoom: -1 } })).toEqual({ zoom: -0.5 });
		expect(asks({ rings: { focus: 0.05 } }).focus).toBeGreaterThan(0);
		expect(asks({ rings: { focus: 0.015 } })).toEqual({});
	});
	it('a phone’s aim turns the camera as the phone turns, hung too, beside the stick', () => {
		const grip = { panRad: 0.3, tiltRad: -0.1 };
		expect(asks({ grip })).toEqual(grip);
		expect(asks({ grip }, keptOn('ceiling'))).toEqual({ panRad: -0.3, tiltRad: 0.1 });
		const both = asks({ grip, ...stick(-1, 0) });
		expect(both.panRad).toBeCloseTo(0.3 + asks(stick(-1, 0)).panRad!, 12);
	});
	it('a carrier is asked only where the head is kept, and a stand carries nothing', () => {
		const jog = { ...noJog, right: 0.2 };
		const onRail = { axes: { ...head.axes, trackM: axis(0.35) } };
		const at = { trackM: 0.5, panRad: 0, tiltRad: 0 };
		const run = (kept: LiveHead | null) => steerRates(onRail, kept, at, { ...nothing, jog, keepsLook: false });
		expect(run(null)).toEqual({});
		expect(run(keptOn('stand'))).toEqual({});
		// It looks across the rail's own way or along it: to its right is one way along, never both.
		expect(Object.keys(run(keptOn('rail'))).every((each) => each === 'trackM')).toBe(true);
	});
	it('nothing asked is nothing', () => expect(asks({})).toEqual({}));
});
