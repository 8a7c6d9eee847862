import type { MovingBody, Vec3 } from '@poise/core';
import { flexOf } from '$lib/model/flex';
import type { VenuePlan } from '$lib/model/venue';
import type { FixedSupport } from '../model';
import { apart, type SupportOfMove } from './contract';
import { baseOf, stanceCautions } from './stance';
import { groundUnder, platformsUnder, standing } from './standing';

const supportOf = (support: FixedSupport) => ({
	kind: 'fixed' as const,
	centreM: support.atM,
	base: baseOf(support.stance, support.headingRad)
});

/** How a tripod's legs spread: their feet so far out of its middle. */
const feetOf = ([x, y, z]: Vec3, groundM: number): readonly (readonly [number, number])[] =>
	[0, 1, 2].map((leg) => {
		const turn = (leg * 2 * Math.PI) / 3 + Math.PI / 2;
		const spread = Math.min(0.6, (z - groundM) * 0.4);
		return [x + spread * Math.cos(turn), y + spread * Math.sin(turn)] as const;
	});
/** What it stands on or hangs by: a bracket and a pole touch a wall and a ceiling, and are not tried. */
function standsBy({ atM, stance }: FixedSupport, plan: VenuePlan | null): readonly MovingBody[] {
	if (stance !== 'up') return [];
	const [x, y, z] = atM;
	const apex: Vec3 = [x, y, z - 0.1];
	return feetOf(atM, groundUnder(plan, atM, z)).map((foot, k) => standing(plan, ['leg', k], apex, foot, 0.02));
}

/** A tripod, a plate on a ceiling, a plate on a wall. */
export const fixed: SupportOfMove<FixedSupport> = {
	words: 'Head that stands still',
	axes: () => ({}),
	mount: supportOf,
	moving: (support, plan) => ({
		mount: supportOf(support),
		bodies: [],
		standing: standsBy(support, plan),
		on: support.stance === 'up' ? platformsUnder(plan, [support.atM]) : []
	}),
	gives: ({ givesM, stance }) =>
		flexOf(givesM, { by: stance === 'up' ? 'stand' : stance === 'hung' ? 'ceiling' : 'wall' }),
	reach: ({ atM }, _from, toM) => {
		const missM = apart(atM, toM);
		return { values: {}, missM, why: missM > 1e-6 ? 'It stands still: move the whole head instead.' : null };
	},
	strokes: ({ atM, stance, headingRad }) => {
		const [x, y, z] = atM;
		if (stance === 'hung') return [{ as: 'column', fromM: [x, y, z], toM: [x, y, z + 0.4], thickM: 0.08 }];
		if (stance === 'wall') {
			const [bx, by] = [x - 0.4 * Math.cos(headingRad), y - 0.4 * Math.sin(headingRad)];
			return [{ as: 'column', fromM: [bx, by, z - 0.15], toM: [x, y, z - 0.1], thickM: 0.06 }];
		}
		return feetOf(atM, 0).map((foot) => ({ as: 'base', fromM: [x, y, z - 0.1], toM: [...foot, 0], thickM: 0.04 }));
	},
	placings: (support) => [{ id: 'foot', words: 'the head', atM: support.atM, put: (atM) => ({ ...support, atM }) }],
	cautions: ({ stance }) => stanceCautions[stance]
};
