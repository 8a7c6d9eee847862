import type { ServerKind, Standing } from '$lib/server/supportKind';
import { sliderDemo } from './demo.server';
import { countedLooks, sliderFigures } from './figures';
import type { SliderBenchState, SliderGeometry, SliderRecordDetail } from './model';
import { sliderBenchState, sliderDraft, sliderGeometry, sliderRecordDetail } from './schemas.server';
import { settledOn } from './standing';
import { freshSliderState } from './state';
import { sliderLogStation, sliderStation } from './station';

function today({ support, payload, bodies, state }: Standing<SliderGeometry, SliderBenchState>) {
	const setting = settledOn(support.geometry, state.setting);
	return { setting, figures: sliderFigures(support, bodies, setting, countedLooks(state, payload.version)) };
}

export const server: ServerKind<SliderGeometry, SliderBenchState, SliderRecordDetail> = {
	geometry: { schema: sliderGeometry },
	draft: sliderDraft,
	state: { schema: sliderBenchState },
	detail: { schema: sliderRecordDetail },
	fresh: ({ geometry }) => freshSliderState(geometry),
	stations(standing, logged) {
		const { setting, figures } = today(standing);
		return { balance: sliderStation(figures), logbook: sliderLogStation(figures, setting, logged) };
	},
	carrying({ geometry }, { setting }) {
		const { rail, carriage } = geometry;
		const now = settledOn(geometry, setting);
		return {
			kind: 'rail',
			givesM: geometry.givesM ?? null,
			lengthM: rail.lengthM,
			travelM: carriage.travelM,
			railKg: rail.massKg,
			carriageKg: carriage.massKg,
			plateM: carriage.plateM,
			drive: carriage.drive ?? null,
			inclineRad: now.inclineRad,
			hung: now.hung,
			reachM: now.reachM,
			supportsM: now.supportsM,
			supportBearsN: geometry.supportBearsN,
			clampHoldsNm: geometry.clampHoldsNm,
			holdsN: carriage.holdsN,
			clampsDown: geometry.clampsDown
		};
	},
	record(standing) {
		const { setting, figures } = today(standing);
		const { carriedKg, spansN, momentNm, now } = figures;
		return {
			payloadMassKg: figures.payloadKg,
			placed: figures.placed,
			poised: figures.poised,
			detail: {
				support: standing.support,
				setting,
				figures: {
					carriedKg,
					leastN: Math.min(...spansN.map(([least]) => least)),
					mostN: Math.max(...spansN.map(([, most]) => most)),
					momentNm,
					holdN: now.holdN
				},
				slips: standing.state.slips
			}
		};
	},
	prints: {},
	demo: sliderDemo
};
