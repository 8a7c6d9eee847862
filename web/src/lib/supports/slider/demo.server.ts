import { scenario } from '@poise/demo';
import type { DemoDoors } from '$lib/server/supportKind';
import { mountedBodies, standingParts } from '$lib/model/payload';
import { sliderFigures } from './figures';
import type { SliderBenchState, SliderGeometry } from './model';
import { sliderFromPattern, sliderPatterns } from './patterns';
import { lineInWords, sliderSlip } from './slip';
import { settledOn } from './standing';
import { freshSliderState } from './state';

/** The scenario's sliders with what was logged on them. */
export async function sliderDemo({ make, log, payload: named, parts }: DemoDoors): Promise<void> {
	for (const each of scenario.sliders) {
		const pattern = sliderPatterns.find(({ id }) => id === each.pattern);
		if (pattern === undefined) throw new Error(`The scenario has a slider of no known pattern: ${each.pattern}`);
		const slider = await make<SliderGeometry>(sliderFromPattern(pattern, each.name));
		for (const { person, payload: name, daysAgo, note } of each.balances) {
			const payload = named(name);
			const bodies = mountedBodies(standingParts(payload, parts));
			const fresh = freshSliderState(slider.geometry);
			const slip = sliderSlip(slider, fresh.setting, sliderFigures(slider, bodies, fresh.setting, []), 'metric');
			const setting = settledOn(slider.geometry, slip.target);
			const state: SliderBenchState = {
				setting,
				slips: slip.lines.length === 0 ? [] : [slip.lines.map(lineInWords)],
				// It was walked from end to end and stayed.
				looks: [{ what: 'stays', setting, payloadVersion: payload.version }]
			};
			await log(person, { supportId: slider.id, payload, state, note }, daysAgo);
		}
	}
}
