import type { ServerKind, Standing } from '$lib/server/supportKind';
import { craneSheet } from './craneSheet.server';
import { craneDemo } from './demo.server';
import { countedLooks, craneFigures } from './figures';
import type { CraneBenchState, CraneGeometry, CraneRecordDetail } from './model';
import { craneBenchState, craneDraft, craneGeometry, craneRecordDetail } from './schemas.server';
import { headSign, noseU, settledOn } from './standing';
import { freshCraneState } from './state';
import { craneLogStation, craneStation } from './station';
import { craneSwap } from './swapSheet.server';

function today({ support, payload, bodies, state }: Standing<CraneGeometry, CraneBenchState>) {
	const setting = settledOn(support.geometry, state.setting);
	const looks = countedLooks(state, payload.version);
	return { setting, figures: craneFigures(support, bodies, { ...state, setting }, looks) };
}

export const server: ServerKind<CraneGeometry, CraneBenchState, CraneRecordDetail> = {
	geometry: { schema: craneGeometry },
	draft: craneDraft,
	state: { schema: craneBenchState },
	detail: craneRecordDetail,
	fresh: ({ geometry }) => freshCraneState(geometry),
	stations(standing, logged) {
		const { setting, figures } = today(standing);
		return {
			balance: craneStation(figures, standing.state.noseBiasKg),
			logbook: craneLogStation(figures, setting, logged)
		};
	},
	record(standing) {
		const { setting, figures } = today(standing);
		const { noseBiasKg, ground, slips } = standing.state;
		return {
			payloadMassKg: figures.payloadKg,
			placed: figures.balanced,
			poised: figures.poised,
			detail: {
				support: standing.support,
				setting,
				noseBiasKg,
				ground,
				figures: {
					uKgM: figures.uKgM,
					vKgM: figures.vKgM,
					noseKg: figures.noseKg,
					reserve: figures.envelope.reserve,
					kind: figures.drift.kind
				},
				slips
			}
		};
	},
	carrying({ geometry }, state) {
		const setting = settledOn(geometry, state.setting);
		const { nose, head, rear, tubeAcrossM, boomRangeRad } = geometry;
		const { panRadPerS, panRadPerS2, tiltRadPerS, tiltRadPerS2 } = head.limits;
		const standing = state.standing ?? null;
		return {
			kind: 'arm',
			givesM: geometry.givesM ?? null,
			armM: noseU(geometry, setting),
			tailM: rear.lengthM,
			tubeM: tubeAcrossM,
			// The hinge's own height is counted as if the arm were level.
			noseToCentreM: [0, nose.vM + headSign(geometry) * head.plateM],
			keptLevel: nose.kept === 'level',
			hung: nose.head === 'hung',
			pivotHeightM: setting.pivotHeightM,
			boomRange: standing?.boomsRad ?? boomRangeRad,
			swingStops: standing?.stopsRad ?? null,
			standing:
				standing === null ? null : { venueId: standing.venueId, atM: standing.atM, headingRad: standing.headingRad },
			headPan: { maxRate: panRadPerS, maxAccel: panRadPerS2 },
			headTilt: { maxRate: tiltRadPerS, maxAccel: tiltRadPerS2 }
		};
	},
	sheetData: {
		swap: ({ builds }) => builds(),
		/** The venues by name, and the one that this bench stands in; it may have been deleted since. */
		venue: async (doors, state) => {
			const venues = await doors.venues();
			return {
				venues: venues.map(({ id, name }) => ({ id, name })),
				venue: venues.find(({ id }) => id === state?.standing?.venueId) ?? null
			};
		}
	},
	prints: {
		swap: craneSwap,
		sheet: ({ support, payload, bodies, state }, { person, units }) =>
			craneSheet(support, { name: payload.name, bodies }, state, units, { by: person.name, at: new Date() })
	},
	demo: craneDemo
};
