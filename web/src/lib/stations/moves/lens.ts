import { depthOfField } from '@poise/core';
import type { Move, MoveCamera } from './model';

/** Blur that an eye lets pass: so large a part of the sensor's width. */
export const circleOf = ({ sensorWidthM }: Pick<MoveCamera, 'sensorWidthM'>) => sensorWidthM / 1200;

/** What is sharp with the lens at a distance. Beyond the hyperfocal distance `farM` is null: to the horizon. */
export function sharpAt(camera: MoveCamera, focalM: number, focusM: number) {
	return depthOfField({
		focalM,
		fNumber: camera.fNumber,
		circleM: circleOf(camera),
		focusM: Math.max(focusM, focalM * 1.05),
		sensorWidthM: camera.sensorWidthM
	});
}

/** The focus ring goes evenly in 1/distance, from its close stop to infinity: so many of its motor's turns from there. */
export const ringAt = (camera: Pick<MoveCamera, 'closestM'>, turns: number, focusM: number): number =>
	turns * Math.max(0, Math.min(1, 1 - camera.closestM / Math.max(camera.closestM, focusM)));

/** The zoom ring goes evenly in the ratio of focal lengths. Null: there is none. */
export function zoomRingAt({ zoomM }: Pick<MoveCamera, 'zoomM'>, turns: number, focalM: number): number | null {
	if (zoomM === null || !(zoomM[1] > zoomM[0])) return null;
	const share = Math.log(focalM / zoomM[0]) / Math.log(zoomM[1] / zoomM[0]);
	return turns * Math.max(0, Math.min(1, share));
}

/** What is nearer to the camera than its own front. */
export const insideLens = ({ camera }: Pick<Move, 'camera'>, farM: number) => farM <= camera.frontM + camera.radiusM;
