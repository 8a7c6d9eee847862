import { frameOf, type Vec3 } from '@poise/core';
import type { LiveSettings } from '$lib/model/liveHead';
import type { VenuePlan } from '$lib/model/venue';
import { livePose } from './stand';

/** No more lines than this: a plan of a town is no still. */
const mostLines = 900;
/** Edges are drawn in pieces, so that one that runs past the camera is seen as far as it is before it. */
const pieceM = 0.8;
const tallest = 12;

/**
 * The still drawing of a frame: the upright things of the plan as lines, 0 to 1 across and down. What is behind the camera is not
 * drawn; nothing hides anything.
 */
export function stillOf(
	settings: Pick<LiveSettings, 'place' | 'camera'>,
	values: Readonly<Record<string, number>>,
	plan: VenuePlan | null,
	focalM: number
): string {
	if (plan === null) return '';
	const pose = livePose(settings, values);
	const { sensorWidthM, sensorHeightM } = settings.camera;
	const at = (pointM: Vec3) => {
		const { xWidths, yHeights } = frameOf({ pose, pointM, focalM, sensorWidthM, sensorHeightM });
		return xWidths === null || yHeights === null || Math.abs(xWidths) > 3 || Math.abs(yHeights) > 3
			? null
			: ([0.5 + xWidths, 0.5 - yHeights] as const);
	};
	const lines: string[] = [];
	const edge = (from: Vec3, to: Vec3) => {
		const pieces = Math.max(1, Math.ceil(Math.hypot(...from.map((value, k) => to[k]! - value)) / pieceM));
		let before = at(from);
		for (let k = 1; k <= pieces && lines.length < mostLines; k += 1) {
			const here = at(from.map((value, axis) => value + ((to[axis]! - value) * k) / pieces) as unknown as Vec3);
			const seen = [before, here].some((each) => each !== null && each.every((value) => value >= 0 && value <= 1));
			if (before !== null && here !== null && seen)
				lines.push(
					`M${before.map((value) => value.toFixed(4)).join(' ')}L${here.map((value) => value.toFixed(4)).join(' ')}`
				);
			before = here;
		}
	};
	for (const { pointsM, bottomM, topM, kind } of plan.shapes) {
		const high = Math.min(topM, tallest);
		const closed = kind !== 'wall' && kind !== 'line';
		pointsM.forEach(([x, y], k) => {
			const next = pointsM[k + 1] ?? (closed ? pointsM[0] : undefined);
			edge([x, y, bottomM], [x, y, high]);
			if (next === undefined) return;
			for (const z of [bottomM, high]) edge([x, y, z], [next[0], next[1], z]);
		});
	}
	return lines.join('');
}
