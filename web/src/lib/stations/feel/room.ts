import type { CameraPose, Vec3 } from '@poise/core';
import { horizon, person, type Lens, type Scene } from '$lib/sheet/picture/scene';
import type { Response } from './figures';

/** How high the lens is carried, m. */
export const eyeM = 1.45;

const post = (turn: number, far: number, thickM = 0.14): Scene => {
	const [x, y] = [far * Math.cos(turn), far * Math.sin(turn)];
	const up = (z: number): Vec3 => [x, y, z];
	return [{ as: 'upright', pointsM: [up(0), up(3.4)], thickM }];
};

/** A plain room to look about in: posts all round, a wall's foot and top, somebody where the hand comes to rest and where it began. */
export function roomFor(restRad: number): Scene {
	const round = Array.from({ length: 18 }, (_, k) => (k * 2 * Math.PI) / 18 + 0.12);
	const ring = (far: number, z: number): Scene =>
		round.map((turn, k) => {
			const next = round[(k + 1) % round.length]!;
			return {
				as: 'wall',
				pointsM: [
					[far * Math.cos(turn), far * Math.sin(turn), z],
					[far * Math.cos(next), far * Math.sin(next), z]
				]
			};
		});
	const standing: readonly (readonly [turn: number, far: number])[] = [
		[0, 3.4],
		...(Math.abs(restRad) > 0.15 ? ([[restRad, 3.4]] as const) : []),
		...(Math.abs(restRad) > 0.9
			? ([
					[restRad * 0.36, 5.2],
					[restRad * 0.66, 4.4]
				] as const)
			: [])
	];
	return [
		...horizon(eyeM),
		...ring(9, 0),
		...ring(9, 3.4),
		...round.flatMap((turn) => post(turn, 9)),
		...standing.flatMap(([turn, far]) => person([far * Math.cos(turn), far * Math.sin(turn)], [0, 0]))
	];
}

/** Where the lens is and looks, at one of the times of a response. */
export function poseAt({ axis, cameraRad, bounceRad, atS }: Response, timeS: number): CameraPose {
	const place = Math.min(atS.length - 1, Math.max(0, timeS * (1 / (atS[1]! - atS[0]!))));
	const low = Math.floor(place);
	const between = (list: readonly number[]) =>
		list[low]! + (list[Math.min(list.length - 1, low + 1)]! - list[low]!) * (place - low);
	const turned = between(cameraRad);
	const bounced = between(bounceRad);
	return {
		positionM: [0, 0, eyeM],
		headingRad: axis === 'pan' ? turned : 0,
		elevationRad: (axis === 'tilt' ? turned : 0) + bounced,
		rollRad: axis === 'roll' ? turned : 0
	};
}

export const lensOf = ({ focalM, sensorWidthM }: { readonly focalM: number; readonly sensorWidthM: number }): Lens => ({
	focalM,
	sensorWidthM,
	sensorHeightM: (sensorWidthM * 9) / 16
});
