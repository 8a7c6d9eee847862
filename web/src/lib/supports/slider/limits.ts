import { above, limit, type Limit } from '$lib/model/limits';

/** How far a slider's figures go, each with its reason: for its fields and for its schemas. Metres, newtons, radians. */
export const sliderLimits = {
	payload: limit(0, 100, 'No carriage that is carried to a set bears more.'),
	rail: limit(0.2, 8, 'No rail that is carried is longer.'),
	alongRail: limit(0, 8, 'Supports and carriage are on the rail.'),
	plate: limit(0, 1, 'A plate stands a hand above its rail.'),
	driveHolds: above(0, 5000, 'A drive that holds half a tonne is no slider’s.'),
	driveSpeed: above(0, 5, 'No carriage among people goes faster.'),
	driveAccel: above(0, 20, 'No belt pulls harder.'),
	supportBears: above(0, 50_000, 'A stand that bears five tonnes is no stand.'),
	clampHolds: above(0, 5000, 'No clamp holds half a tonne at a metre.'),
	incline: limit(-Math.PI / 2, Math.PI / 2, 'Upright is as steep as it gets.'),
	reach: limit(-1.5, 1.5, 'A camera further from its carriage is on an arm.')
} as const satisfies Readonly<Record<string, Limit>>;
