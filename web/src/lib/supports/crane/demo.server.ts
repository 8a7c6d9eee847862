import { scenario } from '@poise/demo';
import type { DemoDoors } from '$lib/server/supportKind';
import { mountedBodies, standingParts } from '$lib/model/payload';
import { craneFigures } from './figures';
import type { CraneGeometry } from './model';
import { craneFromPattern, cranePatterns } from './patterns';
import { craneSlip, lineInWords } from './slip';
import { settledOn } from './standing';
import { freshCraneState } from './state';

/** The scenario's cranes with what was logged on them. */
export async function craneDemo({ make, log, payload: named, parts }: DemoDoors): Promise<void> {
	for (const each of scenario.cranes) {
		const pattern = cranePatterns.find(({ id }) => id === each.pattern);
		if (pattern === undefined) throw new Error(`The scenario has a crane of no known pattern: ${each.pattern}`);
		const crane = await make<CraneGeometry>(craneFromPattern(pattern, each.name));
		const { geometry } = crane;
		const without = each.without as readonly string[];
		const fitted = geometry.sections.map(({ id }) => id).filter((id) => !without.includes(id));
		for (const { person, payload: name, daysAgo, noseBiasKg, missedTrimM, note } of each.balances) {
			const payload = named(name);
			const bodies = mountedBodies(standingParts(payload, parts));
			const fresh = freshCraneState(geometry);
			const bare = { ...fresh, noseBiasKg, setting: { ...fresh.setting, fitted } };
			const slip = craneSlip(crane, bare, craneFigures(crane, bodies, bare), 'metric');
			const setting = settledOn(geometry, { ...slip.target, trimU: slip.target.trimU + missedTrimM });
			// It was let go at level and stayed.
			const looks = [{ what: 'stays' as const, setting, payloadVersion: payload.version }];
			const state = { ...bare, setting, slips: [slip.lines.map(lineInWords)], looks };
			await log(person, { supportId: crane.id, payload, state, note }, daysAgo);
		}
	}
}
