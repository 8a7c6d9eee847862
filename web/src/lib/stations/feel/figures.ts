import {
	followResponse,
	type FollowPlant,
	type FollowResponse,
	type FollowSettings,
	phaseMargin,
	radFromDeg,
	shakeOnScreen,
	standardGravityMPerS2
} from '@poise/core';
import type { Turning, Turnings, TurningAxis } from '$lib/model/turning';
import { handleOf } from './gestures';
import { reckonedDelayS, reckonedResidualNm } from './looks';
import type { FeelFigures, FeelState, GestureKey, ModeSheet, OwnSettings } from './model';
import { loopOf, valueOf } from './scales';
import { gestureWords, isWalk, walkOf } from './shots';

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

export interface Lens {
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

/** RMS about the mean, after the first step has come in. */
export function rms(values: readonly number[], atS: readonly number[]): number {
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
export function shakenBy(
	{ plant, firstMomentKgM }: AxisModel,
	walk: readonly { amplitudeM: number; frequencyHz: number }[],
	{ focalM, sensorWidthM }: Lens
): number {
	return shakeOnScreen({ ...plant, firstMomentKgM, walk, focalM, sensorWidthM }).rmsRad;
}

/** What a lens and the axes of a station are worked out from. */
export const motorsOf = (turnings: Turnings): TurningAxis[] =>
	(['pan', 'tilt', 'roll'] as const).filter((axis) => turnings[axis] !== undefined);

/** The axis that speaks for the whole: pan, where there is one. */
export const speakingAxis = (turnings: Turnings): TurningAxis | null => motorsOf(turnings)[0] ?? null;

/** Whether an axis goes with the hand in the mode the gimbal is in; before anybody said which, pan does. */
export function follows(sheet: ModeSheet, { modeId }: Pick<FeelState, 'modeId'>, axis: TurningAxis): boolean {
	const mode = sheet.modes.find(({ id }) => id === modeId);
	return mode === undefined ? axis === 'pan' : mode.does[axis] === 'follows';
}
