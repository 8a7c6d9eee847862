import type { Vec3 } from '@poise/core';
import {
	type Bounds,
	project,
	pxPerMetreFullSize,
	ratios,
	type Sheet,
	type View,
	type ViewPlace
} from '$lib/sheet/drawing/projection';
import type { SledGeometry, SledSetting } from './model';
import { cornersOf, postLengthM } from './standing';

/** What a drawing of the sled must hold: everything on it, and room for it to be pulled about. */
export function sledBounds(geometry: SledGeometry, setting: SledSetting, payloadCorners: readonly Vec3[]): Bounds {
	const topM = postLengthM(geometry, setting.pulledOutM) + geometry.stage.sizeM[2];
	const { sizeM } = geometry.stage;
	const points: Vec3[] = [
		...cornersOf(geometry, setting),
		...payloadCorners,
		[-sizeM[0] / 2, -sizeM[1] / 2, 0],
		[sizeM[0] / 2, sizeM[1] / 2, topM],
		// The gimbal's ring and handle.
		[-0.05, -0.17, setting.gimbalM],
		[0.05, 0.05, setting.gimbalM]
	];
	const ends = (axis: 0 | 1 | 2) => points.map((point) => point[axis]);
	const least = ([0, 1, 2] as const).map((axis) => Math.min(...ends(axis))) as unknown as Vec3;
	const greatest = ([0, 1, 2] as const).map((axis) => Math.max(...ends(axis))) as unknown as Vec3;
	return { leastM: [least[0], least[1], Math.min(-0.04, least[2])], greatestM: greatest };
}

/**
 * A sled is tall: side and front stand beside each other and the top view beside them, or, on a narrow sheet, the top view under
 * them. The largest allowed scale that fits.
 */
export function layOutSled({ leastM, greatestM }: Bounds, width: number, height: number): Sheet {
	const narrow = width < 480;
	const [x, y, z] = greatestM.map((value, axis) => value - (leastM[axis] as number)) as [number, number, number];
	const gap = narrow ? 30 : 46;
	const [left, right, top, bottom] = narrow ? [34, 14, 26, 32] : [80, 24, 24, 30];
	const roomX = Math.max(60, width - left - right - (narrow ? gap : 2 * gap));
	const roomY = Math.max(60, height - top - bottom - (narrow ? gap : 0));
	const wideM = narrow ? x + y : 2 * x + y;
	const highM = narrow ? z + y : z;
	const fitting = Math.min(roomX / wideM, roomY / highM);
	const ratio = ratios.find((each) => pxPerMetreFullSize / each <= fitting) ?? (ratios[ratios.length - 1] as number);
	const pxPerM = pxPerMetreFullSize / ratio;
	const spareX = Math.max(0, roomX - wideM * pxPerM) / (narrow ? 2 : 3);
	const sideX = left + spareX / 2;
	const sideY = top + Math.max(0, roomY - highM * pxPerM) / 2;
	const frontX = sideX + x * pxPerM + gap + spareX / 2;
	const topX = narrow ? sideX : frontX + y * pxPerM + gap + spareX / 2;
	const topY = narrow ? sideY + z * pxPerM + gap : top + Math.max(0, roomY - y * pxPerM) / 3;
	const boxes: Record<View, ViewPlace['box']> = {
		side: { x: sideX, y: sideY, width: x * pxPerM, height: z * pxPerM },
		front: { x: frontX, y: sideY, width: y * pxPerM, height: z * pxPerM },
		top: { x: topX, y: topY, width: x * pxPerM, height: y * pxPerM }
	};
	const placeOf = (view: View): ViewPlace => {
		const corner = project([leastM[0], view === 'top' ? greatestM[1] : leastM[1], greatestM[2]], view);
		const box = boxes[view];
		return { view, box, origin: { x: box.x - corner.x * pxPerM, y: box.y - corner.y * pxPerM } };
	};
	return { pxPerM, ratio, places: (['side', 'front', 'top'] as const).map(placeOf) };
}
