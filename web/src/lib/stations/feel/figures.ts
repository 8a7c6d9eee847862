import {
	followResponse,
	type FollowPlant,
	type FollowResponse,
	type FollowSettings,
	phaseMargin,
	radFromDeg,
	shakeOnScreen,
	standardGravityMPerS2,
	steadyLag
} from '@poise/core';
import type { StationState } from '$lib/shell/stations';
import type { Turning, Turnings, TurningAxis } from '$lib/model/turning';
import { doneS, handleOf } from './gestures';
import { reckonedDelayS, reckonedResidualNm } from './looks';
import type { FeelFigures, FeelState, GestureKey, ModeSheet, OwnSettings, Shot, Wishes } from './model';
import { loopOf, valueOf } from './scales';
import { gestureWords, isWalk, walkOf, wantedWith } from './shots';

/** What bearings and cables drag the camera along with the handle, as a share of the loop's damping in the middle of its scale. */
const dragShare = 0.01;
const middleRate = (scale: ModeSheet['scales']['stiffness'], turning: Turning) =>
	loopOf(scale, (scale.least + scale.most) / 2, turning).naturalRadPerS;
/** Rates and accelerations that no timed turn tells; the usual ones of the trade. */
const usualMostRadPerS = radFromDeg(180);
const usualMostRadPerS2 = radFromDeg(900);

/** One axis as the core steps it, from the gimbal's own figures. */
export interface AxisModel {
	readonly settings: FollowSettings;
	readonly plant: Required<FollowPlant>;
	readonly stiffnessNmPerRad: number;
	/** Mass times how far its centre is off the axis: no finer than the bearing lets anybody see. */
	readonly firstMomentKgM: number;
	readonly phaseMarginRad: number;
}

export function axisModel(
	sheet: ModeSheet,
	own: OwnSettings,
	turning: Turning,
	payloadId: string,
	axis: TurningAxis,
	follows: boolean
): AxisModel {
	const { scales, damping } = sheet;
	const { stiffnessNmPerRad, naturalRadPerS } = loopOf(scales.stiffness, own.stiffness, turning);
	const delayS = reckonedDelayS(sheet);
	const residualNm = reckonedResidualNm(sheet, payloadId, axis, turning);
	const inertiaKgM2 = turning.inertiaKgM2;
	return {
		settings: {
			followPerS: follows ? valueOf(scales.follow, own.follow) : 0,
			deadbandRad: valueOf(scales.deadband, own.deadband),
			maxRateRadPerS: usualMostRadPerS,
			maxAccelRadPerS2: usualMostRadPerS2,
			smoothS: Math.max(1e-3, valueOf(scales.smooth, own.smooth))
		},
		plant: {
			inertiaKgM2,
			naturalRadPerS,
			damping,
			couplingNmS: dragShare * 2 * damping * middleRate(scales.stiffness, turning) * inertiaKgM2,
			torqueNm: 0,
			delayS
		},
		stiffnessNmPerRad,
		firstMomentKgM: Math.max(residualNm, turning.frictionNm) / standardGravityMPerS2,
		phaseMarginRad: phaseMargin({ inertiaKgM2, naturalRadPerS, damping, delayS }).phaseMarginRad
	};
}

interface Lens {
	readonly focalM: number;
	readonly sensorWidthM: number;
}

/** How the drawing is stepped through in time. */
const framesPerS = 60;

/** What the hand does, what the camera makes of it, and what that comes to. */
export interface Response {
	readonly gesture: GestureKey;
	readonly axis: TurningAxis;
	readonly atS: readonly number[];
	readonly handleRad: readonly number[];
	readonly referenceRad: readonly number[];
	readonly cameraRad: readonly number[];
	/** What the steps' bounce turns the camera up and down by, at the same times. */
	readonly bounceRad: readonly number[];
	readonly deadbandRad: number;
	readonly figures: FeelFigures;
	/** The loop swings up: at this stiffness it buzzes. */
	readonly buzzes: boolean;
}

/** The axis that shows what the steps do: of the bounce. */
export function respond(model: AxisModel, lens: Lens, gesture: GestureKey, axis: TurningAxis): Response {
	const endS = gestureWords[gesture].lastsS;
	const atS = Array.from({ length: Math.round(endS * framesPerS) + 1 }, (_, k) => k / framesPerS);
	const buzzes = model.phaseMarginRad <= 0;
	// A loop that buzzes has no answer in angles; the reference is shown as it is, and the page says that it buzzes.
	const response: FollowResponse = followResponse({
		settings: model.settings,
		handle: handleOf(gesture),
		...(buzzes ? {} : { plant: model.plant }),
		endS,
		atS
	});
	const walk = walkOf[gesture];
	const bounce = bounced(model, walk);
	const bounceRad = atS.map((t) =>
		bounce.reduce((sum, { sizeRad, omega, lateRad }) => sum + sizeRad * Math.sin(omega * t - lateRad), 0)
	);
	const shakenRad = Math.hypot(isWalk(gesture) ? rms(response.cameraRad, atS) : 0, shakenBy(model, walk, lens));
	let fastest = 0;
	for (let k = 1; k < atS.length; k += 1)
		fastest = Math.max(fastest, Math.abs(response.cameraRad[k]! - response.cameraRad[k - 1]!) * framesPerS);
	const perRad = lens.focalM / lens.sensorWidthM;
	return {
		gesture,
		axis,
		atS,
		handleRad: response.handleRad,
		referenceRad: response.referenceRad,
		cameraRad: response.cameraRad,
		bounceRad,
		deadbandRad: model.settings.followPerS === 0 ? 0 : model.settings.deadbandRad,
		buzzes,
		figures: {
			lagRad: Math.abs(response.lagRad),
			settleS: isWalk(gesture) ? null : response.settleS,
			overshootRad: response.overshootRad,
			restShortRad: isWalk(gesture) ? 0 : Math.abs(response.handleRad[atS.length - 1]! - response.restRad),
			shakeShare: shakenRad * perRad,
			pictureWidthsPerS: fastest * perRad
		}
	};
}

/** Settle and overshoot of a turn, looked at for longer than it may take, so that what is late is late and not merely unseen. */
const turnedFor = (model: AxisModel, gesture: GestureKey, { settleS }: Wishes) =>
	followResponse({
		settings: model.settings,
		handle: handleOf(gesture),
		...(model.phaseMarginRad <= 0 ? {} : { plant: model.plant }),
		endS: doneS(gesture) + 1.5 * (settleS ?? 2) + 1.5,
		atS: []
	});

/** What steps shake the picture by: the turning that is followed, stepped for so long that it has settled, and the bounce. */
function walkedShare(model: AxisModel, lens: Lens, walk: GestureKey): number {
	const { cameraRad } = followResponse({
		settings: model.settings,
		handle: handleOf(walk),
		...(model.phaseMarginRad <= 0 ? {} : { plant: model.plant }),
		endS: walkedForS,
		atS: walkedAtS
	});
	return (Math.hypot(rms(cameraRad, walkedAtS), shakenBy(model, walkOf[walk], lens)) * lens.focalM) / lens.sensorWidthM;
}
const walkedForS = 4;
const walkedAtS = Array.from({ length: 81 }, (_, k) => k * 0.05);

/** RMS about the mean, after the first step has come in. */
function rms(values: readonly number[], atS: readonly number[]): number {
	const from = atS.findIndex((t) => t >= 1);
	const kept = values.slice(from);
	const mean = kept.reduce((sum, value) => sum + value, 0) / kept.length;
	return Math.sqrt(kept.reduce((sum, value) => sum + (value - mean) ** 2, 0) / kept.length);
}

/** What each sine of a walk turns the camera by: `m e a` through the motor's loop. */
function bounced(
	{ plant, stiffnessNmPerRad, firstMomentKgM }: AxisModel,
	walk: readonly { amplitudeM: number; frequencyHz: number }[]
) {
	const dampNmS = 2 * plant.damping * plant.naturalRadPerS * plant.inertiaKgM2 + plant.couplingNmS;
	return walk.map(({ amplitudeM, frequencyHz }) => {
		const omega = 2 * Math.PI * frequencyHz;
		const [re, im] = [stiffnessNmPerRad - plant.inertiaKgM2 * omega ** 2, dampNmS * omega];
		return {
			omega,
			sizeRad: (-firstMomentKgM * amplitudeM * omega ** 2) / Math.hypot(re, im),
			lateRad: Math.atan2(im, re)
		};
	});
}
function shakenBy(
	{ plant, firstMomentKgM }: AxisModel,
	walk: readonly { amplitudeM: number; frequencyHz: number }[],
	{ focalM, sensorWidthM }: Lens
): number {
	return shakeOnScreen({ ...plant, firstMomentKgM, walk, focalM, sensorWidthM }).rmsRad;
}

/** What a shot wishes for beside what the settings give: of each wish, how much of its limit is used. */
export interface WishRead {
	readonly id: keyof Wishes;
	readonly got: number | null;
	readonly wanted: number;
	/** 1: at the limit. */
	readonly share: number;
	/** Late or restless: which way it is off. */
	readonly way: 1 | -1;
}

/** What a shot's wishes come to with a model of an axis, and with the turn of its own that is drawn already, if it is: lag at a steady pan, settle and overshoot of a turn, shake in its steps. */
export function wishesRead(model: AxisModel, shot: Shot, lens: Lens, drawn: Response | null = null): WishRead[] {
	const lag = steadyLag({ settings: { ...model.settings, maxRateRadPerS: 1e6 }, rateRadPerS: shot.panRadPerS }).lagRad;
	const wanted = wantedWith(shot, lens);
	const gesture = isWalk(shot.gesture) ? 'quarterTurn' : shot.gesture;
	const turned =
		drawn?.gesture === gesture && drawn.figures.settleS !== null ? drawn.figures : turnedFor(model, gesture, wanted);
	const holds = model.settings.followPerS === 0;
	const of = (id: keyof Wishes, got: number | null, way: 1 | -1): WishRead[] => {
		const limit = wanted[id];
		if (limit === null) return [];
		return [{ id, got, wanted: limit, share: got === null ? 9 : got / limit, way }];
	};
	return [
		...(holds ? [] : of('lagRad', lag === null ? null : Math.abs(lag), 1)),
		...(holds ? [] : of('settleS', turned.settleS, 1)),
		...of('overshootRad', turned.overshootRad, -1),
		...(wanted.shakeShare === null ? [] : of('shakeShare', walkedShare(model, lens, shot.walk), -1))
	];
}

/** The bubble of Feel: right of the marks too late for the shot, left of them too restless; furthest off speaks. */
export function feelStation(reads: readonly WishRead[], shot: Shot, buzzes: boolean): StationState {
	if (buzzes) return { offset: -6, words: 'so stiff that it buzzes, as computed' };
	const worst = reads.reduce<WishRead | null>(
		(most, read) => (most === null || read.share > most.share ? read : most),
		null
	);
	if (worst === null) return { offset: 0, words: `${shot.name} asks for nothing` };
	const offset = worst.share * worst.way;
	if (worst.share <= 1) return { offset, words: `within what ${lower(shot.name)} asks, as computed` };
	return {
		offset,
		words: `${worst.way > 0 ? 'later' : 'more restless'} than ${lower(shot.name)} asks, as computed`
	};
}
const lower = (name: string) => name.charAt(0).toLowerCase() + name.slice(1);

/** What a lens and the axes of a station are worked out from. */
export const motorsOf = (turnings: Turnings): TurningAxis[] =>
	(['pan', 'tilt', 'roll'] as const).filter((axis) => turnings[axis] !== undefined);

/** The axis that speaks for the whole: pan, where there is one. */
export const speakingAxis = (turnings: Turnings): TurningAxis | null => motorsOf(turnings)[0] ?? null;

/** What the day line says of a gimbal as it is set. */
export function stationOf(
	sheet: ModeSheet,
	state: FeelState,
	shot: Shot,
	turnings: Turnings,
	payloadId: string
): StationState | null {
	const axis = speakingAxis(turnings);
	const turning = axis === null ? undefined : turnings[axis];
	if (axis === null || turning === undefined) return null;
	const model = axisModel(sheet, state.now[axis], turning, payloadId, axis, follows(sheet, state, axis));
	return feelStation(wishesRead(model, shot, state), shot, model.phaseMarginRad <= 0);
}
/** Whether an axis goes with the hand in the mode the gimbal is in; before anybody said which, pan does. */
export function follows(sheet: ModeSheet, { modeId }: Pick<FeelState, 'modeId'>, axis: TurningAxis): boolean {
	const mode = sheet.modes.find(({ id }) => id === modeId);
	return mode === undefined ? axis === 'pan' : mode.does[axis] === 'follows';
}
