import { flexOf } from '$lib/model/flex';
import type { FixedSupport } from '../model';
import { apart, type SupportOfMove } from './contract';
import { baseOf, stanceCautions } from './stance';

const supportOf = (support: FixedSupport) => ({
	kind: 'fixed' as const,
	centreM: support.atM,
	base: baseOf(support.stance, support.headingRad)
});

/** A tripod, a plate on a ceiling, a plate on a wall. */
export const fixed: SupportOfMove<FixedSupport> = {
	words: 'Head that stands still',
	axes: () => ({}),
	mount: supportOf,
	moving: (support) => ({ mount: supportOf(support), bodies: [] }),
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
		return [0, 1, 2].map((leg) => {
			const turn = (leg * 2 * Math.PI) / 3 + Math.PI / 2;
			const spread = Math.min(0.6, z * 0.4);
			return {
				as: 'base',
				fromM: [x, y, z - 0.1],
				toM: [x + spread * Math.cos(turn), y + spread * Math.sin(turn), 0],
				thickM: 0.04
			};
		});
	},
	placings: (support) => [{ id: 'foot', words: 'the head', atM: support.atM, put: (atM) => ({ ...support, atM }) }],
	cautions: ({ stance }) => stanceCautions[stance]
};
