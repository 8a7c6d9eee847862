import type { ServerKind, Standing } from '$lib/server/supportKind';
import { sledDemo } from './demo.server';
import { countedSeen, estimateFromSeen, sledFigures } from './figures';
import type { SledBenchState, SledEntry, SledGeometry, SledRecordDetail, WornSetup } from './model';
import { sledBenchState, sledDraft, sledEntry, sledGeometry, sledRecordDetail, wornSetup } from './schemas.server';
import { settledOn } from './standing';
import { freshSledState } from './state';
import { sledLogStation, sledStation } from './station';
import { sledSwap } from './swapSheet.server';

function today({ support, payload, bodies, state }: Standing<SledGeometry, SledBenchState>) {
	const setting = settledOn(support.geometry, state.setting);
	const seen = countedSeen(state, payload.version);
	const estimate = estimateFromSeen(support.geometry, bodies, seen);
	return { setting, figures: sledFigures(support, bodies, { ...state, setting, seen }, estimate) };
}

export const server: ServerKind<SledGeometry, SledBenchState, SledRecordDetail, WornSetup, SledEntry> = {
	geometry: { schema: sledGeometry },
	draft: sledDraft,
	state: { schema: sledBenchState },
	detail: sledRecordDetail,
	setup: { schema: wornSetup },
	entry: { schema: sledEntry },
	fresh: freshSledState,
	stations(standing, logged) {
		const { setting, figures } = today(standing);
		return {
			balance: sledStation(figures, standing.state.dropTimeS),
			logbook: sledLogStation(figures, setting, logged)
		};
	},
	record(standing) {
		const { setting, figures } = today(standing);
		const { report } = figures;
		return {
			payloadMassKg: figures.payloadKg,
			placed: figures.placed,
			poised: figures.poised,
			detail: {
				support: standing.support,
				setting,
				dropTimeS: standing.state.dropTimeS,
				figures: {
					massKg: report.massKg,
					staticForeM: report.staticOffsetM.fore,
					staticSideM: report.staticOffsetM.side,
					dropForeS: report.dropTimeS.fore,
					foreLeanRad: report.dynamic.foreLeanRad,
					sideLeanRad: report.dynamic.sideLeanRad,
					panInertiaKgM2: report.panInertiaKgM2
				},
				slips: standing.state.slips
			}
		};
	},
	sheetData: {
		swap: ({ builds }) => builds(),
		arm: async ({ setup, entries }) => ({ worn: await setup(), entries: (await entries()).slice(0, 60) }),
		reach: async ({ setup }) => ({ worn: await setup() })
	},
	prints: { swap: sledSwap },
	demo: sledDemo
};
