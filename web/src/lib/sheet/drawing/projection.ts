import type { Vec3 } from '@poise/core';

/** The three elevations of a workshop drawing, third angle: side (lens to the right), top above it, front beside it. */
export type View = 'side' | 'top' | 'front';

export interface PagePoint {
	readonly x: number;
	readonly y: number;
}

/** The page runs right and down. Side looks from the camera's right, top from above, front from before the lens. */
export function project([x, y, z]: Vec3, view: View): PagePoint {
	if (view === 'side') return { x, y: -z };
	if (view === 'top') return { x, y: -y };
	return { x: y, y: -z };
}

/** How far from the eye; larger is further away. */
export function depth([x, y, z]: Vec3, view: View): number {
	if (view === 'side') return y;
	if (view === 'top') return -z;
	return -x;
}

/** The move in space that a move on the page means; what runs away from the eye stays. */
export function unproject({ x, y }: PagePoint, view: View): Vec3 {
	if (view === 'side') return [x, 0, -y];
	if (view === 'top') return [x, -y, 0];
	return [0, x, -y];
}

/** The move that an arrow key means in a view: along the page, in metres. */
export function arrowMove(key: string, view: View, stepM: number): Vec3 | null {
	const onPage: Record<string, PagePoint> = {
		ArrowRight: { x: stepM, y: 0 },
		ArrowLeft: { x: -stepM, y: 0 },
		ArrowUp: { x: 0, y: -stepM },
		ArrowDown: { x: 0, y: stepM }
	};
	const move = onPage[key];
	return move === undefined ? null : unproject(move, view);
}

/** Least and greatest corner of what is drawn. */
export interface Bounds {
	readonly leastM: Vec3;
	readonly greatestM: Vec3;
}

export function boundsOf(points: readonly Vec3[]): Bounds {
	const least: [number, number, number] = [Infinity, Infinity, Infinity];
	const greatest: [number, number, number] = [-Infinity, -Infinity, -Infinity];
	for (const point of points)
		for (const k of [0, 1, 2] as const) {
			least[k] = Math.min(least[k], point[k]);
			greatest[k] = Math.max(greatest[k], point[k]);
		}
	return { leastM: least, greatestM: greatest };
}

/** Where a view's origin lies on the sheet, px. */
export interface ViewPlace {
	readonly view: View;
	readonly origin: PagePoint;
	/** The view's frame on the sheet, px. */
	readonly box: { readonly x: number; readonly y: number; readonly width: number; readonly height: number };
}

export interface Sheet {
	readonly pxPerM: number;
	/** The scale as a draughtsman writes it, 1 : ratio, at 96 px to the inch. */
	readonly ratio: number;
	readonly places: readonly ViewPlace[];
}

/** Scales that a workshop drawing is allowed to have. */
export const ratios = [1, 1.5, 2, 2.5, 3, 4, 5, 6, 8, 10, 12, 15, 20, 25, 30, 40, 50, 75, 100];
export const pxPerMetreFullSize = 96 / 0.0254;

export interface Margins {
	readonly left: number;
	readonly right: number;
	readonly top: number;
	readonly bottom: number;
	readonly between: number;
}

/**
 * Lays the views out on a sheet of `width` by `height` px at the largest allowed scale: top above side, front to the
 * right of side, each in line with its neighbour.
 */
export function layOut(bounds: Bounds, views: readonly View[], width: number, height: number, margins: Margins): Sheet {
	const span = bounds.greatestM.map((value, k) => value - (bounds.leastM[k] as number)) as unknown as Vec3;
	const [front, top] = [views.includes('front'), views.includes('top')];
	const wideM = span[0] + (front ? span[1] : 0);
	const highM = span[2] + (top ? span[1] : 0);
	const roomX = Math.max(40, width - margins.left - margins.right - (front ? margins.between : 0));
	const roomY = Math.max(40, height - margins.top - margins.bottom - (top ? margins.between : 0));
	const fitting = Math.min(roomX / Math.max(wideM, 0.02), roomY / Math.max(highM, 0.02));
	const ratio = ratios.find((each) => pxPerMetreFullSize / each <= fitting) ?? (ratios[ratios.length - 1] as number);
	const pxPerM = pxPerMetreFullSize / ratio;

	const px = span.map((value) => value * pxPerM) as unknown as Vec3;
	// The drawing is centred on what the scale leaves free.
	const spareX = Math.max(0, roomX - wideM * pxPerM) / 2;
	const spareY = Math.max(0, roomY - highM * pxPerM) / 2;
	const left = margins.left + spareX;
	const topEdge = margins.top + spareY;
	const sideTop = topEdge + (top ? px[1] + margins.between : 0);
	const frontLeft = left + px[0] + margins.between;
	const boxes: Record<View, ViewPlace['box']> = {
		top: { x: left, y: topEdge, width: px[0], height: px[1] },
		side: { x: left, y: sideTop, width: px[0], height: px[2] },
		front: { x: frontLeft, y: sideTop, width: px[1], height: px[2] }
	};
	const originOf = (view: View): PagePoint => {
		const corner = project(
			[bounds.leastM[0], view === 'top' ? bounds.greatestM[1] : bounds.leastM[1], bounds.greatestM[2]],
			view
		);
		return { x: boxes[view].x - corner.x * pxPerM, y: boxes[view].y - corner.y * pxPerM };
	};
	return { pxPerM, ratio, places: views.map((view) => ({ view, origin: originOf(view), box: boxes[view] })) };
}

/** A point in space on the sheet, px. */
export function onSheet(pointM: Vec3, place: ViewPlace, pxPerM: number): PagePoint {
	const { x, y } = project(pointM, place.view);
	return { x: place.origin.x + x * pxPerM, y: place.origin.y + y * pxPerM };
}

/** A round length for the scale bar, about `wantedPx` long. */
export function scaleBarM(pxPerM: number, wantedPx: number, imperial: boolean): number {
	const unit = imperial ? 0.0254 : 0.01;
	const steps = [0.5, 1, 2, 5, 10, 20, 50, 100];
	return (steps.find((step) => step * unit * pxPerM >= wantedPx) ?? 100) * unit;
}
