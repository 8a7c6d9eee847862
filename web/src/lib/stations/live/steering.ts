import { stickRate, zoomRate } from '@poise/core';
import type { HeadSeen } from '@poise/desk/messages';
import type { LiveHead } from '$lib/model/liveHead';
import { centred, type Deflection } from '$lib/sheet/pad';
import { type Jog, jogRates } from './jog';
import { asPictured, focalOf } from './stand';

type Values = Readonly<Record<string, number>>;
/** A picture goes at most so many of its widths a second at full stick. */
const widthsPerS = 0.5;
/** A ring is let go of exactly: its middle is narrower than a stick's. */
const ringDeadZone = 0.02;

/** Everything that a hand asks for now, by whatever it asks. */
export interface Asked {
	/** Where sticks are, by whose hand: finger, keys, controller, surface. The one furthest off its middle counts. */
	readonly sticks: readonly Deflection[];
	/** Of each ring how far its lever is off its middle, −1 to 1. */
	readonly rings: Values;
	/** The speeds that a phone's aim turns at, rad/s to the left and up; null: none, or silent too long. */
	readonly grip: Values | null;
	/** Where the camera itself is to go. */
	readonly jog: Jog;
	/** How the stick is taken up: still about its middle, and its curve. */
	readonly deadZone: number;
	readonly curve: number;
	/** A camera that is carried keeps looking where it looks. */
	readonly keepsLook: boolean;
}

/**
 * What a hand asks for, in the head's own axes and their own units a second (rad/s, m/s, shares of a ring): only axes that it has, and only
 * what moves. A stick to the right turns the picture to the right and up turns it up, however the head hangs; zoomed in it goes slower, so
 * that the picture goes alike.
 */
export function steerRates(
	head: Pick<HeadSeen, 'axes'>,
	kept: Pick<LiveHead, 'settings'> | null,
	at: Values,
	asked: Asked
): Record<string, number> {
	const { x, y } = asked.sticks.reduce(
		(most, each) => (Math.hypot(each.x, each.y) > Math.hypot(most.x, most.y) ? each : most),
		centred
	);
	const focalM = focalOf(kept?.settings.camera.focalM ?? [0.024, 0.12], at.zoom);
	const sensorWidthM = kept?.settings.camera.sensorWidthM ?? 0.036;
	const rateOf = (axis: string, deflection: number) => {
		const { maxRate, ring } = head.axes[axis] ?? { maxRate: 0, ring: false };
		const turns = axis === 'panRad' || axis === 'tiltRad';
		const top = turns ? zoomRate({ maxRateRadPerS: maxRate, widthsPerS, focalM, sensorWidthM }).rateRadPerS : maxRate;
		const deadZone = ring ? ringDeadZone : asked.deadZone;
		return stickRate({ deflection, deadZone, expo: asked.curve, maxRateRadPerS: top }).rateRadPerS;
	};
	const rates: Record<string, number> = {};
	const add = (axis: string, rate: number) => {
		if (rate !== 0 && head.axes[axis] !== undefined) rates[axis] = (rates[axis] ?? 0) + rate;
	};
	/** To the right turns the head clockwise from above; hung, its own axes go the other way. */
	const hung = kept === null ? 1 : asPictured(kept.settings.place);
	for (const [axis, rate] of Object.entries(asked.grip ?? {})) add(axis, rate * hung);
	add('panRad', rateOf('panRad', -x * hung));
	add('tiltRad', rateOf('tiltRad', y * hung));
	for (const [axis, deflection] of Object.entries(asked.rings)) add(axis, rateOf(axis, deflection));
	if (kept !== null && Object.values(asked.jog).some((each) => each !== 0))
		for (const [axis, rate] of Object.entries(jogRates(kept.settings, at, asked.jog, asked.keepsLook))) add(axis, rate);
	return rates;
}
