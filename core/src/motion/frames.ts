import { checksFor } from '../input';
import { along, type KeyedMove, readMove } from './pathPieces';

/** A quotient that is whole but for the rounding of its parts counts as whole. */
const floorSlack = 1e-9;
const mostFrames = 1_000_000;

/**
 * A time-lapse: the shortest interval that shutter, writing, moving and settling leave, how many frames fall into its time, and
 * how long the clip is. The first frame is at 0; a last one that falls on the end counts. `fits` is false where the interval is shorter than
 * what has to happen in it. Throws `PhysicsInputError` for times below 0, an interval, duration or rate not above 0.
 *
 * @example
 * timelapse({ shutterS: 0.5, writeS: 0.3, moveS: 0.8, settleS: 0.4, intervalS: 2, durationS: 3600, fps: 24 }).frames; // 1801
 */
export function timelapse(input: {
	readonly shutterS: number;
	readonly writeS: number;
	readonly moveS: number;
	readonly settleS: number;
	readonly intervalS: number;
	readonly durationS: number;
	readonly fps: number;
}): { readonly shortestIntervalS: number; readonly frames: number; readonly clipS: number; readonly fits: boolean } {
	const check = checksFor('timelapse');
	const shortestIntervalS =
		check.atLeastZero('shutterS', input.shutterS) +
		check.atLeastZero('writeS', input.writeS) +
		check.atLeastZero('moveS', input.moveS) +
		check.atLeastZero('settleS', input.settleS);
	const intervalS = check.positive('intervalS', input.intervalS);
	const durationS = check.positive('durationS', input.durationS);
	const fps = check.positive('fps', input.fps);
	const frames = Math.floor(durationS / intervalS + floorSlack) + 1;
	return { shortestIntervalS, frames, clipS: frames / fps, fits: intervalS >= shortestIntervalS * (1 - floorSlack) };
}

/**
 * Stop motion along a move: where every axis stands for each frame, both ends included, and by how much it goes on from one to
 * the next. Frames are `fps · seconds`, at least two, spread evenly over the move's own time, from its first key on, its holds included. Throws
 * `PhysicsInputError` for a clip of fewer than two frames or more than a million, and as `keyframePath` does.
 *
 * @example
 * stopMotion({ fps: 2, seconds: 2, keys: [{ tS: 0, values: { trackM: 0 } }, { tS: 3, values: { trackM: 0.3 } }], ends: 'natural', angles: 'asGiven' }).frames; // 4
 */
export function stopMotion(input: KeyedMove & { readonly fps: number; readonly seconds: number }): {
	readonly frames: number;
	readonly positions: Readonly<Record<string, number[]>>;
	readonly increments: Readonly<Record<string, number[]>>;
} {
	const check = checksFor('stopMotion');
	const frames = Math.round(check.positive('fps', input.fps) * check.positive('seconds', input.seconds));
	if (frames < 2 || frames > mostFrames) check.fail('seconds', `must give 2 to ${mostFrames} frames`, frames);
	const path = readMove('stopMotion', input);
	const positions = Object.fromEntries(
		path.axes.map((axis) => [
			axis,
			Array.from(
				{ length: frames },
				(_, n) => along(path, axis, path.startsS + ((path.durationS - path.startsS) * n) / (frames - 1))[0]
			)
		])
	);
	return {
		frames,
		positions,
		increments: Object.fromEntries(
			path.axes.map((axis) => [axis, positions[axis]!.slice(1).map((value, n) => value - positions[axis]![n]!)])
		)
	};
}
