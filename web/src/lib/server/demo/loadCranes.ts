import { scenario } from '@poise/demo';
import { v7 as newId } from 'uuid';
import { craneFigures } from '$lib/supports/crane/figures';
import { craneFromPattern, cranePatterns } from '$lib/supports/crane/patterns';
import { craneSlip, lineInWords } from '$lib/supports/crane/slip';
import { settledOn } from '$lib/supports/crane/standing';
import { freshCraneState } from '$lib/supports/crane/state';
import type { CraneDraft } from '$lib/model/crane';
import { mountedBodies, type Payload, standingParts } from '$lib/model/payload';
import type { Part } from '$lib/model/part';
import { validated } from '../api';
import { createCrane } from '../db/cranes';
import { logCraneBalance } from '../logCraneBalance';
import { craneDraft } from '../schemas/crane';

/** The scenario's cranes with what was logged on them, through the same doors as anything typed. */
export async function loadCranes(
	crewId: string,
	personIds: ReadonlyMap<string, string>,
	payloads: ReadonlyMap<string, Payload>,
	shelf: ReadonlyMap<string, Part>
): Promise<void> {
	for (const each of scenario.cranes) {
		const pattern = cranePatterns.find(({ id }) => id === each.pattern);
		if (pattern === undefined) throw new Error(`The scenario has a crane of no known pattern: ${each.pattern}`);
		const crane = await createCrane(crewId, validated<CraneDraft>(craneFromPattern(pattern, each.name), craneDraft));
		const { geometry } = crane;
		const without = each.without as readonly string[];
		const fitted = geometry.sections.map(({ id }) => id).filter((id) => !without.includes(id));
		for (const { person, payload: name, daysAgo, noseBiasKg, missedTrimM, note } of each.balances) {
			const [payload, personId] = [payloads.get(name), personIds.get(person)];
			if (payload === undefined || personId === undefined)
				throw new Error(`The scenario weighs something or names somebody it does not hold: ${name}, ${person}`);
			const bodies = mountedBodies(standingParts(payload, shelf));
			const fresh = freshCraneState(geometry);
			const bare = { ...fresh, noseBiasKg, setting: { ...fresh.setting, fitted } };
			const slip = craneSlip(crane, bare, craneFigures(crane, bodies, bare), 'metric');
			const setting = settledOn(geometry, { ...slip.target, trimU: slip.target.trimU + missedTrimM });
			await logCraneBalance(
				crewId,
				personId,
				{
					id: newId(),
					payloadId: payload.id,
					craneId: crane.id,
					payloadVersion: payload.version,
					// It was let go at level and stayed.
					state: {
						...bare,
						setting,
						slips: [slip.lines.map(lineInWords)],
						looks: [{ what: 'stays', setting, payloadVersion: payload.version }]
					},
					note
				},
				new Date(Date.now() - daysAgo * 24 * 3600 * 1000).toISOString()
			);
		}
	}
}
