import { benchState } from './bench.server';
import { gimbalDemo } from './demo.server';
import { withReadings } from './correctedReadings.server';
import { gimbalDetail, horizonEntry } from './record.server';
import { benchFigures, completePositions, solveWithLooks } from './figures';
import { gimbalDraft, gimbalGeometry, withinLimits } from './geometry.server';
import type { NewHorizonEntry } from './horizon';
import { countedLooks } from './looks';
import type { BenchState, GimbalRecordDetail, GimbalGeometry } from './model';
import { turningOf } from './turning';
import { setUpGimbal } from './setUp';
import { balanceStation, logStation } from './station';
import { learnedOf } from './taught';
import { gimbalSwap } from './swapSheet.server';
import { Refusal } from '$lib/server/refusal';
import type { ServerKind, Standing } from '$lib/server/supportKind';

/** The gimbal as it is put together today, and what everything comes to on it. */
function today({ support, bodies, state, learned }: Standing<GimbalGeometry, BenchState>) {
	const rig = setUpGimbal(support, state);
	return {
		rig,
		figures: benchFigures(rig, bodies, state.positionsM, solveWithLooks(rig, bodies, countedLooks(state), learned))
	};
}

/** Every slide of the gimbal is read, and no other. */
function refuseOtherSlides({ geometry }: Standing<GimbalGeometry, BenchState>['support'], { positionsM }: BenchState) {
	const missing = geometry.slides.filter(({ id }) => positionsM[id] === undefined);
	const extra = Object.keys(positionsM).filter((id) => !geometry.slides.some((slide) => slide.id === id));
	const fields = Object.fromEntries([
		...missing.map(({ id, label }) => [`positionsM.${id}`, `The reading of the ${label.toLowerCase()} is missing.`]),
		...extra.map((id) => [`positionsM.${id}`, 'This gimbal has no such slide.'])
	]) as Record<string, string>;
	if (Object.keys(fields).length > 0) throw new Refusal('invalid', undefined, fields);
}

export const server: ServerKind<GimbalGeometry, BenchState, GimbalRecordDetail, never, NewHorizonEntry> = {
	geometry: { schema: gimbalGeometry, upgrades: [withinLimits] },
	draft: gimbalDraft,
	state: { schema: benchState },
	detail: gimbalDetail,
	entry: horizonEntry,
	fresh: (support) => ({ positionsM: completePositions(support, {}), nudges: [] }),
	stations(standing, logged) {
		const { figures } = today(standing);
		return { balance: balanceStation(figures), logbook: logStation(figures, standing.state.positionsM, logged) };
	},
	turning(standing) {
		const { rig, figures } = today(standing);
		return turningOf(rig, standing.bodies, standing.state.positionsM, figures);
	},
	record(standing) {
		refuseOtherSlides(standing.support, standing.state);
		const { positionsM, nudges, weights = [], alternativeIds = [] } = standing.state;
		const { rig, figures } = today(standing);
		const { axes, placed, poised, seen, massKg } = figures;
		return {
			payloadMassKg: massKg,
			placed,
			poised,
			detail: { support: rig, positionsM, axes, nudges, weights, alternativeIds, found: [...seen] }
		};
	},
	learned: learnedOf,
	corrected: withReadings,
	ownSheetData: { horizon: async ({ entries }) => ({ horizon: await entries() }) },
	prints: { swap: gimbalSwap },
	demo: gimbalDemo
};
