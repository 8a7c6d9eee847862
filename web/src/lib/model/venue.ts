import { limits } from './limits';
import type { Named } from './gear';

/** On a plan: x to the right, y up the sheet, metres from its corner. */
export type PlanPoint = readonly [xM: number, yM: number];

export const planKinds = ['wall', 'obstacle', 'people', 'keepOut', 'line'] as const;
export type PlanKind = (typeof planKinds)[number];

/** What stands, hangs or sits in a venue. Walls and overhead lines are open; the rest are areas. */
export interface PlanShape {
	readonly id: string;
	readonly kind: PlanKind;
	readonly label: string;
	readonly pointsM: readonly PlanPoint[];
	/** Above the floor. */
	readonly bottomM: number;
	readonly topM: number;
}

/** A picture of the plan under the drawing. */
export interface PlanUnderlay {
	readonly pictureId: string;
	readonly widthPx: number;
	readonly heightPx: number;
	readonly mPerPx: number;
	/** Its lower left corner. */
	readonly atM: PlanPoint;
	/** Counter-clockwise about that corner. */
	readonly turnRad: number;
}

export interface VenuePlan {
	readonly ceilingM: number | null;
	readonly shapes: readonly PlanShape[];
	readonly underlay: PlanUnderlay | null;
}

export interface VenueDraft extends Named {
	readonly plan: VenuePlan;
}
export interface Venue extends VenueDraft {
	readonly id: string;
	readonly version: number;
}

export const mostShapes = 400;
export const mostPoints = 200;
export const furthestPlanM = limits.planPoint.most;
export const greatestPictureBytes = 4 * 1024 * 1024;
