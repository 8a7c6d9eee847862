import { type CameraPose, frameOf, type Vec3 } from '@poise/core';

/** What a stroke of a scene is: it decides the ink, nothing else. */
type Ink = 'horizon' | 'far' | 'upright' | 'wall' | 'subject';

/** A line or a filled shape standing in a room; metres, z up from the floor. */
interface Stroke {
	readonly as: Ink;
	readonly pointsM: readonly Vec3[];
	readonly closed?: boolean;
	/** Thickness of an upright, m: it is drawn as wide as it looks. */
	readonly thickM?: number;
}
export type Scene = readonly Stroke[];

export interface Lens {
	readonly focalM: number;
	readonly sensorWidthM: number;
	readonly sensorHeightM: number;
}
/** A stroke in the picture: widths to the right and heights down from the upper left corner, nearest last. */
export interface Drawn {
	readonly as: Ink;
	readonly points: readonly (readonly [x: number, y: number])[];
	readonly closed: boolean;
	/** In widths of the frame; 0: a hairline. */
	readonly thick: number;
	readonly depthM: number;
}

/** Nearer than this nothing is drawn: it would fill the frame. */
const nearM = 0.12;

/** A scene as a camera sees it: every stroke cut off before the lens and put in perspective, the furthest first. */
export function seen(scene: Scene, pose: CameraPose, lens: Lens): Drawn[] {
	const depthOf = (pointM: Vec3) => frameOf({ pose, pointM, ...lens }).depthM;
	return scene
		.flatMap(({ as, pointsM, closed = false, thickM = 0 }): Drawn[] => {
			const depths = pointsM.map(depthOf);
			if (depths.every((depth) => depth < nearM)) return [];
			const points = cutOff(pointsM, depths, closed).map((pointM): readonly [number, number] => {
				const { xWidths, yHeights } = frameOf({ pose, pointM, ...lens });
				return [0.5 + (xWidths ?? 0), 0.5 - (yHeights ?? 0)];
			});
			if (points.length < 2) return [];
			const depthM = Math.max(nearM, Math.max(...depths));
			return [{ as, points, closed, depthM, thick: (thickM * lens.focalM) / (depthM * lens.sensorWidthM) }];
		})
		.sort((a, b) => b.depthM - a.depthM);
}

/** The part of a stroke that lies before the lens. Depth is linear along a straight piece, so the cut is exact. */
function cutOff(pointsM: readonly Vec3[], depths: readonly number[], closed: boolean): Vec3[] {
	const kept: Vec3[] = [];
	const pieces = closed ? pointsM.length : pointsM.length - 1;
	if (!closed && depths[0]! >= nearM) kept.push(pointsM[0]!);
	for (let k = 0; k < pieces; k += 1) {
		const next = (k + 1) % pointsM.length;
		const [a, b, da, db] = [pointsM[k]!, pointsM[next]!, depths[k]!, depths[next]!];
		if (da < nearM !== db < nearM) {
			const share = (nearM - da) / (db - da);
			kept.push([0, 1, 2].map((axis) => a[axis]! + share * (b[axis]! - a[axis]!)) as unknown as Vec3);
		}
		if (db >= nearM) kept.push(b);
	}
	return kept;
}

/** A standing person, seen from the lens' side: shoulders and head, as a flat shape turned towards a point. */
export function person(
	atM: readonly [x: number, y: number],
	towardsM: readonly [x: number, y: number],
	tallM = 1.72
): Scene {
	const [dx, dy] = [towardsM[0] - atM[0], towardsM[1] - atM[1]];
	const long = Math.hypot(dx, dy) || 1;
	/** To the left as the lens sees it. */
	const [sx, sy] = [dy / long, -dx / long];
	const at = (side: number, up: number): Vec3 => [atM[0] + sx * side, atM[1] + sy * side, up * tallM];
	const head = Array.from({ length: 20 }, (_, k) => {
		const turn = (2 * Math.PI * k) / 20;
		return at(0.105 * Math.sin(turn), 0.925 + (0.13 / tallM) * Math.cos(turn));
	});
	const half = [
		[0.11, 0],
		[0.15, 0.42],
		[0.2, 0.62],
		[0.23, 0.77],
		[0.2, 0.815],
		[0.06, 0.835]
	] as const;
	const body = [...half.map(([side, up]) => at(-side, up)), ...[...half].reverse().map(([side, up]) => at(side, up))];
	return [
		{ as: 'subject', pointsM: body, closed: true },
		{ as: 'subject', pointsM: head, closed: true }
	];
}

/** The ground's edge all round, far away at the height of the eye. */
export const horizon = (eyeM: number): Scene =>
	Array.from({ length: 24 }, (_, k) => {
		const at = (turn: number): Vec3 => [400 * Math.cos(turn), 400 * Math.sin(turn), eyeM];
		return { as: 'horizon', pointsM: [at((k * Math.PI) / 12), at(((k + 1) * Math.PI) / 12)] };
	});
