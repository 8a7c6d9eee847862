import { clamped, type SupportOfMove } from './contract';
import type { Values, WalkSupport } from '../model';
import { moveLimits } from '../limits';

const span = ({ least, most }: { readonly least: number; readonly most: number }) => [least, most] as const;

/** Somebody walks with the camera: a line on the plan with heights, for eye lines and for timing. */
export const walk: SupportOfMove<WalkSupport> = {
	words: 'Handheld walk',
	axes: ({ maxRate, maxAccel }) => ({
		eastM: { range: span(moveLimits.place), maxRate, maxAccel },
		northM: { range: span(moveLimits.place), maxRate, maxAccel },
		heightM: { range: [0.1, 2.6], maxRate: Math.min(1, maxRate), maxAccel }
	}),
	mount: (_support, { eastM = 0, northM = 0, heightM = 0 }: Partial<Values>) => ({
		kind: 'fixed',
		centreM: [eastM, northM, heightM],
		base: { headingRad: 0, tiltRad: 0, rollRad: 0 }
	}),
	moving: () => null,
	gives: () => null,
	reach: (_support, _from, [x, y, z]) => {
		const heightM = clamped(z, [0.1, 2.6]);
		return {
			values: { eastM: x, northM: y, heightM },
			missM: Math.abs(z - heightM),
			why: heightM === z ? null : 'Nobody holds a camera there.'
		};
	},
	strokes: (_support, { eastM = 0, northM = 0, heightM = 0 }) => [
		{ as: 'column', fromM: [eastM, northM, 0], toM: [eastM, northM, heightM], thickM: 0.3 }
	],
	placings: () => [],
	cautions: () => ['Walk it once with a spotter: what is behind you is not in the picture.']
};
