import { mFromFt } from '@poise/core';
import type { UnitSystem } from '$lib/model/person';
import type { PlanPoint } from '$lib/model/venue';

/** How a plan lies on the screen: the plan's point in the middle, and dots a metre. */
export interface PlanView {
	readonly middleM: PlanPoint;
	readonly pxPerM: number;
}

const marginPx = 34;
const [leastPx, mostPx] = [1.2, 400];

/** Everything between two corners, as large as it fits. */
export function viewOf([[x0, y0], [x1, y1]]: readonly [PlanPoint, PlanPoint], width: number, height: number): PlanView {
	const fitting = Math.min(
		(width - 2 * marginPx) / Math.max(x1 - x0, 1),
		(height - 2 * marginPx) / Math.max(y1 - y0, 1)
	);
	return { middleM: [(x0 + x1) / 2, (y0 + y1) / 2], pxPerM: Math.min(mostPx, Math.max(leastPx, fitting)) };
}

export const toScreen = ({ middleM, pxPerM }: PlanView, width: number, height: number, [x, y]: PlanPoint) => ({
	x: width / 2 + (x - middleM[0]) * pxPerM,
	y: height / 2 - (y - middleM[1]) * pxPerM
});

export const toPlan = (
	{ middleM, pxPerM }: PlanView,
	width: number,
	height: number,
	x: number,
	y: number
): PlanPoint => [middleM[0] + (x - width / 2) / pxPerM, middleM[1] - (y - height / 2) / pxPerM];

/** Nearer or further by a factor, the plan's point under `at` staying where it is. */
export function zoomed(view: PlanView, factor: number, at: PlanPoint = view.middleM): PlanView {
	const pxPerM = Math.min(mostPx, Math.max(leastPx, view.pxPerM * factor));
	const kept = view.pxPerM / pxPerM;
	return {
		pxPerM,
		middleM: [at[0] + (view.middleM[0] - at[0]) * kept, at[1] + (view.middleM[1] - at[1]) * kept]
	};
}

/** Moved so that the plan's point `at` lies at a point of the screen. */
export const pinned = (
	view: PlanView,
	at: PlanPoint,
	width: number,
	height: number,
	x: number,
	y: number
): PlanView => ({ ...view, middleM: [at[0] - (x - width / 2) / view.pxPerM, at[1] + (y - height / 2) / view.pxPerM] });

/** Metres between the lines of the grid, so that they stand 18 px apart or more. */
export const gridM = (pxPerM: number): number => [0.5, 1, 2, 5, 10, 20, 50].find((step) => step * pxPerM >= 18) ?? 100;

/** The longest round length that takes no more dots, in the person's own units, with its words. */
export function planBar(
	pxPerM: number,
	mostPx: number,
	units: UnitSystem
): { readonly lengthM: number; readonly words: string } {
	const [unit, inM] = units === 'imperial' ? (['ft', mFromFt] as const) : (['m', (metres: number) => metres] as const);
	const steps = [0.1, 0.2, 0.5, 1, 2, 5, 10, 20, 50, 100, 200];
	const long = steps.findLast((each) => inM(each) * pxPerM <= mostPx) ?? steps[0]!;
	return { lengthM: inM(long), words: `${long} ${unit}` };
}
