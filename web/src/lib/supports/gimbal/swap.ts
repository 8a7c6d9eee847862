import { combineBodies, type Vec3 } from '@poise/core';
import { tryFigures } from '$lib/supports/tryFigures';
import { solveBench } from './figures';
import { printablePosition } from './reading';
import type { Part } from '$lib/model/part';
import { mountedBodies, type Payload, standingParts } from '$lib/model/payload';
import { printedReading } from '$lib/sheet/units/printed';
import type { Gimbal, Positions, RigSlide } from './model';

/** One build on the gimbal: its mass, its centre over the plate and where every slide belongs. */
export interface SwapBuild {
	readonly payload: Payload;
	readonly massKg: number;
	readonly cgM: Vec3;
	readonly targetsM: Positions;
	readonly fits: boolean;
}

/** From one build to another: what changes, and how far each slide goes. */
export interface SwapMove {
	readonly fromId: string;
	readonly toId: string;
	readonly massKg: number;
	readonly cgM: Vec3;
	readonly movesM: Positions;
}

/** Every build as it stands on the gimbal; builds with nothing on the plate are left out. */
export function swapBuilds(payloads: readonly Payload[], shelf: readonly Part[], rig: Gimbal): SwapBuild[] {
	const byId = new Map(shelf.map((part) => [part.id, part]));
	return payloads.flatMap((payload) => {
		const parts = standingParts(payload, byId);
		if (parts.length < 2) return [];
		const bodies = mountedBodies(parts);
		const solution = tryFigures(() => solveBench(rig, bodies));
		if (solution === null) return [];
		const { massKg, cgM } = combineBodies({ bodies: bodies.map(({ body }) => body) });
		const targetsM = Object.fromEntries(
			rig.geometry.slides.map((slide, s) => [slide.id, printablePosition(slide, solution.slides[s]?.positionM ?? 0)])
		);
		const fits = solution.balanced && massKg >= rig.leastPayloadKg && massKg <= rig.greatestPayloadKg;
		return [{ payload, massKg, cgM, targetsM, fits }];
	});
}

/** What a hand heeds while it swaps, on screen and on paper. */
export const swapCaution = 'Motors off before a lens comes off; hold the camera, and tighten before letting go.';
/** What stands in the column of a slide: nothing to set for a build that does not balance here. */
export const readingIn = ({ fits, targetsM }: SwapBuild, slide: RigSlide): string =>
	fits ? printedReading(slide, targetsM[slide.id] ?? 0) : '–';

/** The way from each build to each other one, of those that balance here. The way back is the same with every sign turned. */
export function swapMoves(all: readonly SwapBuild[]): SwapMove[] {
	const builds = all.filter(({ fits }) => fits);
	return builds.flatMap((from) =>
		builds
			.filter((to) => to !== from)
			.map((to) => ({
				fromId: from.payload.id,
				toId: to.payload.id,
				massKg: to.massKg - from.massKg,
				cgM: [to.cgM[0] - from.cgM[0], to.cgM[1] - from.cgM[1], to.cgM[2] - from.cgM[2]] as const,
				movesM: Object.fromEntries(
					Object.entries(to.targetsM).map(([id, value]) => [id, value - (from.targetsM[id] ?? 0)])
				)
			}))
	);
}
