import { radFromDeg } from '@poise/core';
import type { CraneBenchState, CraneGeometry, CraneGround, CraneStep } from './model';
import { bareSetting, noseU } from './standing';

export const levelGround: CraneGround = {
	slopeRad: radFromDeg(1),
	windMPerS: 0,
	moreAreaM2: 0,
	pushN: 80,
	pushHeightM: 1.3,
	ballastKg: 0,
	floorN: null
};

/** Onto the arm: the head first, weights after the camera and in two goes, one person at the arm until the trim is set. */
export const usualLoading: readonly CraneStep[] = [
	{ id: 'bare', what: 'bare', on: true, held: true },
	{ id: 'head', what: 'head', on: true, held: true },
	{ id: 'platesHalf', what: 'plates', on: true, share: 0.5, held: true },
	{ id: 'camera', what: 'camera', on: true, held: true },
	{ id: 'platesRest', what: 'plates', on: true, share: 0.5, held: true },
	{ id: 'trim', what: 'trim', on: true, held: true },
	{ id: 'free', what: 'free', on: false, held: false }
];

/** Off again: weights before the camera, always. */
export const usualUnloading: readonly CraneStep[] = [
	{ id: 'hold', what: 'free', on: true, held: true },
	{ id: 'trimOff', what: 'trim', on: false, held: true },
	{ id: 'platesHalfOff', what: 'plates', on: false, share: 0.5, held: true },
	{ id: 'cameraOff', what: 'camera', on: false, held: true },
	{ id: 'platesRestOff', what: 'plates', on: false, share: 0.5, held: true },
	{ id: 'headOff', what: 'head', on: false, held: true }
];

export const freshCraneState = (geometry: CraneGeometry): CraneBenchState => ({
	setting: bareSetting(geometry),
	noseBiasKg: 0.05,
	pushMovesKg: 0.03,
	slips: [],
	choice: 0,
	// A light tripod is knocked, not leaned on.
	ground: { ...levelGround, pushN: geometry.base.kind === 'tripod' ? 40 : levelGround.pushN },
	loading: usualLoading,
	unloading: usualUnloading,
	levels: [],
	pass: {
		fromSwingRad: radFromDeg(-45),
		toSwingRad: radFromDeg(45),
		fromBoomRad: 0,
		toBoomRad: radFromDeg(15),
		durationS: 6,
		// Out of the arm's own sweep.
		subjectM: [Math.round(noseU(geometry, bareSetting(geometry)) + 3), 0, 1.5],
		focalM: 0.035,
		sensorWidthM: 0.036
	},
	room: { ceilingM: null, wallM: null, rowsFromM: null, headsM: 1.9, lineM: null }
});
