import type { SpinSample, Vec3 } from '@poise/core';
import { cornersM, type StandingPart } from '$lib/model/payload';
import type { SledGeometry, SledSetting } from './model';
import { itemAt, middlesOf, mountM, postLengthM, sectionsStanding } from './standing';

/** A box of the sled, its corners counted from the gimbal. */
export interface SceneBox {
	readonly cornersM: readonly Vec3[];
	readonly kind: 'camera' | 'post' | 'item';
}

/** Three rows: where the sled's x, y and z point in the world. */
export type Rotation = readonly [Vec3, Vec3, Vec3];

function box(centre: Vec3, size: Vec3, kind: SceneBox['kind'], tiltRad = 0): SceneBox {
	const [c, s] = [Math.cos(tiltRad), Math.sin(tiltRad)];
	const corners = [-1, 1].flatMap((i) =>
		[-1, 1].flatMap((j) =>
			[-1, 1].map((k): Vec3 => {
				const [x, y, z] = [(i * size[0]) / 2, (j * size[1]) / 2, (k * size[2]) / 2];
				// Tipped back: a right-handed turn about −y.
				return [centre[0] + x * c - z * s, centre[1] + y, centre[2] + x * s + z * c];
			})
		)
	);
	return { cornersM: corners, kind };
}

/** Everything on the sled as boxes, for a picture that turns. Cables are left out. */
export function sceneOf(
	geometry: SledGeometry,
	setting: SledSetting,
	parts: readonly StandingPart[]
): readonly SceneBox[] {
	const up = -setting.gimbalM;
	const lifted = ([x, y, z]: Vec3): Vec3 => [x, y, z + up];
	const [mx, my, mz] = mountM(geometry, setting);
	const plateM = parts.find(({ id }) => id === 'plate')?.part.shape.sizeM[2] ?? 0;
	const { sizeM } = geometry.stage;
	const top = postLengthM(geometry, setting.pulledOutM);
	return [
		...sectionsStanding(geometry, setting.pulledOutM).map(({ section, fromM, toM }) =>
			box(lifted([0, 0, (fromM + toM) / 2]), [2 * section.radiusM, 2 * section.radiusM, toM - fromM], 'post')
		),
		box(lifted([0, 0, top + sizeM[2] / 3]), [sizeM[0], sizeM[1], (sizeM[2] * 2) / 3], 'post'),
		box(lifted([mx, my, mz - sizeM[2] / 6]), [sizeM[0] * 0.6, sizeM[1] * 0.8, sizeM[2] / 3], 'post'),
		...parts.map((part) => {
			const [least, most] = cornersM(part);
			const middle: Vec3 = [
				(least[0] + most[0]) / 2 + mx,
				(least[1] + most[1]) / 2 + my,
				(least[2] + most[2]) / 2 + mz + plateM
			];
			return box(lifted(middle), [most[0] - least[0], most[1] - least[1], most[2] - least[2]], 'camera');
		}),
		...geometry.items
			.filter(({ kind }) => kind !== 'cable')
			.flatMap((item) =>
				middlesOf(item, itemAt(setting, item.id)).map((middle) =>
					box(lifted(middle), item.sizeM, 'item', itemAt(setting, item.id).tiltRad)
				)
			)
	];
}

/** The attitude of a sample, its leans drawn `times` as large. */
export function rotationOf(
	{ foreLeanRad, sideLeanRad, headingRad }: Pick<SpinSample, 'foreLeanRad' | 'sideLeanRad' | 'headingRad'>,
	times = 1
): Rotation {
	const most = 1.2;
	const leaned = (lean: number) => Math.tan(Math.max(-most, Math.min(most, lean * times)));
	const [ahead, left] = [
		[Math.cos(headingRad), Math.sin(headingRad)],
		[-Math.sin(headingRad), Math.cos(headingRad)]
	] as const;
	const [a, b] = [leaned(foreLeanRad), leaned(sideLeanRad)];
	const length = Math.hypot(a, b, 1);
	const z: Vec3 = [(ahead[0] * a + left[0] * b) / length, (ahead[1] * a + left[1] * b) / length, 1 / length];
	// The way the camera looks stays over its heading, square to the post.
	const rise = -(ahead[0] * z[0] + ahead[1] * z[1]) / z[2];
	const flat = Math.hypot(1, rise);
	const x: Vec3 = [ahead[0] / flat, ahead[1] / flat, rise / flat];
	const y: Vec3 = [z[1] * x[2] - z[2] * x[1], z[2] * x[0] - z[0] * x[2], z[0] * x[1] - z[1] * x[0]];
	return [x, y, z];
}

export const turned = ([x, y, z]: Rotation, [a, b, c]: Vec3): Vec3 => [
	x[0] * a + y[0] * b + z[0] * c,
	x[1] * a + y[1] * b + z[1] * c,
	x[2] * a + y[2] * b + z[2] * c
];

/** How much larger leans are drawn, so that the furthest is seen: whole steps, told on the picture. */
export function exaggeration(greatestLeanRad: number): number {
	const wanted = 0.16 / Math.max(1e-4, greatestLeanRad);
	return [1, 2, 5, 10, 20].findLast((step) => step <= wanted) ?? 1;
}

/** Faces by the places of their corners, each seen counter-clockwise from outside. */
export const boxFaces = [
	[0, 1, 3, 2],
	[4, 6, 7, 5],
	[0, 4, 5, 1],
	[2, 3, 7, 6],
	[0, 2, 6, 4],
	[1, 5, 7, 3]
] as const;
