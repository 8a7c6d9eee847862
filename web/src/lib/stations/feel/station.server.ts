import { serverKind } from '$lib/server/kinds';
import type { Asking, ServerStation } from '$lib/server/station';
import { fromStore } from '$lib/server/stored';
import type { StationState } from '$lib/shell/stations';
import { loadFeel } from './demo.server';
import { motorsOf } from './figures';
import { freshSheet } from './fresh';
import { feelPaper, findFeelPaper } from './papers.server';
import { noShots, shotOf } from './shots';
import { stationOf } from './wishes';

/** How far what is set is from what the shot asks; null: nothing here follows a hand, or nobody has said how it is set. */
async function state({ crewId, standing }: Asking): Promise<StationState | null> {
	if (standing === null) return null;
	const { support, payload, bodies } = standing;
	const { turning } = serverKind(support.kind);
	if (turning === undefined) return null;
	const [sheet, setting, shots] = await Promise.all([
		findFeelPaper(crewId, { kind: 'sheet', supportId: support.id, payloadId: null }),
		findFeelPaper(crewId, { kind: 'setting', supportId: support.id, payloadId: payload.id }),
		findFeelPaper(crewId, { kind: 'shots', supportId: null, payloadId: null })
	]);
	if (setting === null) return null;
	const turnings = turning(standing);
	const shot = shotOf(shots?.value ?? noShots, setting.value.shotId);
	return stationOf(sheet?.value ?? freshSheet(motorsOf(turnings)), setting.value, shot, turnings, {
		id: payload.id,
		massKg: bodies.reduce((sum, { body }) => sum + body.massKg, 0),
		greatestPayloadKg: support.greatestPayloadKg
	});
}

export const server: ServerStation = {
	state,
	histories: {
		feel: ([kind]) => {
			const { as } = feelPaper(kind);
			return (content) => fromStore(as, content);
		}
	},
	demo: loadFeel
};
